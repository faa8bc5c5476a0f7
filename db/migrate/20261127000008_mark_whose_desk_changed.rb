# frozen_string_literal: true

# What Today says of an athlete is kept under a mark, which is another as soon as anything changes that it is made of, whoever changes it and
# however. The database sees to that: no writer can forget it. Marks are random, so that none ever comes twice.
class MarkWhoseDeskChanged < ActiveRecord::Migration[7.2]
  OF_AN_ATHLETE = %w[screenings clearances measures prescriptions suspensions planned_sessions programmes].freeze
  # Of a session not what its deck says every second.
  OF_SESSIONS = %w[athlete_id prescription_id state local_date discarded_at proposed_verdict proposed_reason proposed_plain symptoms note given_up twin_of_id twin_settled done_ms dose].freeze
  OF_ATHLETES = %w[name born_on sex height_cm mass_kg vital_capacity_l thrift locks control_pause_use control_pause_again_on left_on].freeze

  def up
    add_column :athletes, :desk_mark, :bigint, null: false, default: 0
    execute "UPDATE athletes SET desk_mark = #{random}"
    OF_AN_ATHLETE.each { |table| marks(table, "athlete_id") }
    marks("sessions", "athlete_id", columns: OF_SESSIONS)
    marks("moves", "(SELECT athlete_id FROM prescriptions WHERE prescriptions.id = ROW.prescription_id)")
    marks("athletes", "id", columns: OF_ATHLETES)
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def sqlite? = connection.adapter_name == "SQLite"

  def random = sqlite? ? "random()" : "(random() * 9007199254740991)::bigint"

  # @param athlete [String] a column, or SQL in which ROW is the row that was written
  def marks(table, athlete, columns: nil)
    {"insert" => "NEW", "update" => "NEW", "delete" => "OLD"}.each do |event, row|
      next if table == "athletes" && event == "delete"

      of = (columns && event == "update") ? "UPDATE OF #{columns.join(", ")}" : event.upcase
      whose = athlete.include?("ROW") ? athlete.gsub("ROW", row) : "#{row}.#{athlete}"
      trigger("desk_of_#{table}_#{event}", "AFTER #{of} ON #{table}", "UPDATE athletes SET desk_mark = #{random} WHERE id = #{whose};", row)
    end
  end

  def trigger(name, on, deed, row)
    return execute("CREATE TRIGGER #{name} #{on} FOR EACH ROW BEGIN #{deed} END") if sqlite?

    execute("CREATE FUNCTION #{name}() RETURNS trigger AS $$ BEGIN #{deed} RETURN #{row}; END $$ LANGUAGE plpgsql")
    execute("CREATE TRIGGER #{name} #{on} FOR EACH ROW EXECUTE FUNCTION #{name}()")
  end
end
