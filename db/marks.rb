# frozen_string_literal: true

# What migrations need that have the database change a mark: a column with a random number that is another as soon as
# anything changes that it stands for, whoever writes it and however. The same on SQLite and on PostgreSQL.
module Marks
  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  def sqlite? = connection.adapter_name == "SQLite"

  # @return [String] SQL of a number that never comes twice
  def random = sqlite? ? "random()" : "(random() * 9007199254740991)::bigint"

  # @param on [String] `AFTER INSERT ON rounds`
  # @param deed [String] SQL, in which NEW or OLD is the row
  # @param condition [String, nil] SQL, likewise
  def trigger(name, on, deed, condition: nil)
    each_row = "CREATE TRIGGER #{name} #{on} FOR EACH ROW#{" WHEN (#{condition})" if condition}"
    return execute("#{each_row} BEGIN #{deed}; END") if sqlite?

    execute(
      "CREATE OR REPLACE FUNCTION #{name}() RETURNS trigger AS $$ BEGIN #{deed}; RETURN NULL; END $$ LANGUAGE plpgsql"
    )
    execute("#{each_row} EXECUTE FUNCTION #{name}()")
  end

  # SQLite makes a table anew where a check comes or goes, and forgets its triggers.
  def keeping_triggers(table)
    triggers =
      if sqlite?
        connection.select_values("SELECT sql FROM sqlite_master WHERE type = 'trigger' AND tbl_name = '#{table}'")
      else
        []
      end
    yield
    triggers.each { |trigger| execute(trigger) }
  end

  # @return [String] gives an athlete another mark
  # @param whose [String] SQL of a number
  def another_desk_mark(whose) = "UPDATE athletes SET desk_mark = #{random} WHERE id = #{whose}"
end
