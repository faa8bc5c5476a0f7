# frozen_string_literal: true

# What the judge reads of a session and its rounds stands under a mark that is another as soon as any of it changes, as with the desk of an
# athlete: of a past in which nothing changed nothing is read again.
class MarkWhatIsJudgedOfSessions < ActiveRecord::Migration[7.2]
  JUDGED = %w[athlete_id prescription_id local_date protocol dose effort symptoms light done_ms washout ended_at].freeze

  def up
    add_column :sessions, :judged_mark, :bigint, null: false, default: 0
    execute "UPDATE sessions SET judged_mark = #{random}"
    marks("sessions", "INSERT", "NEW.id")
    marks("sessions", "UPDATE OF #{JUDGED.join(", ")}", "NEW.id")
    {"INSERT" => "NEW", "UPDATE" => "NEW", "DELETE" => "OLD"}.each { |event, row| marks("rounds", event, "#{row}.session_id") }
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def sqlite? = connection.adapter_name == "SQLite"

  def random = sqlite? ? "random()" : "(random() * 9007199254740991)::bigint"

  def marks(table, event, session)
    name = "judged_of_#{table}_#{event[/\w+/].downcase}"
    deed = "UPDATE sessions SET judged_mark = #{random} WHERE id = #{session};"
    return execute("CREATE TRIGGER #{name} AFTER #{event} ON #{table} FOR EACH ROW BEGIN #{deed} END") if sqlite?

    execute("CREATE FUNCTION #{name}() RETURNS trigger AS $$ BEGIN #{deed} RETURN NULL; END $$ LANGUAGE plpgsql")
    execute("CREATE TRIGGER #{name} AFTER #{event} ON #{table} FOR EACH ROW EXECUTE FUNCTION #{name}()")
  end
end
