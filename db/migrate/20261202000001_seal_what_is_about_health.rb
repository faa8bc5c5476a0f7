# frozen_string_literal: true

# What is said of somebody's health lies encrypted from now on. What lay there plain is sealed here, row by row.
class SealWhatIsAboutHealth < ActiveRecord::Migration[7.2]
  COLUMNS = {
    "athletes" => %w[notes], "screenings" => %w[conditions], "letters" => %w[answer], "corrections" => %w[before],
    "photos" => %w[bytes], "erasures" => %w[name archive]
  }.freeze

  def up
    COLUMNS.each { |table, columns| columns.each { |column| seal(table, column) } }
  end

  # Sealed rows are read by no earlier version.
  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  # An empty text, list or mapping says nothing.
  def seal(table, column)
    name = connection.quote_column_name(column)
    binary = connection.columns(table).find { |one| one.name == column }.type == :binary
    select_values("SELECT id FROM #{table} ORDER BY id").each do |id|
      clear = read("SELECT #{name} FROM #{table} WHERE id = #{Integer(id)}", binary)
      next if ["", "[]", "{}"].include?(clear)

      put("UPDATE #{table} SET #{name} = ? WHERE id = #{Integer(id)}", opening(binary).encrypt(clear), binary)
    end
  end

  def opening(binary) = Windlass::Records::Sealed::Opening.new("", compress: !binary)

  def read(query, binary)
    found = connection.select_value(query)
    (binary && found.is_a?(String) && !sqlite?) ? connection.unescape_bytea(found) : found
  end

  def put(query, text, binary)
    value = binary ? ActiveModel::Type::Binary::Data.new(text) : text
    connection.execute(query.sub("?") { connection.quote(value) })
  end

  def sqlite? = connection.adapter_name == "SQLite"
end
