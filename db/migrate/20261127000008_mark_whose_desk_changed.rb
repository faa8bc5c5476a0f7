# frozen_string_literal: true

require_relative "../marks"

# What Today says of an athlete is kept under a mark, which is another as soon as anything changes that it is made of,
# whoever changes it and however. The database sees to that: no writer can forget it. Marks are random, so that none
# ever comes twice.
class MarkWhoseDeskChanged < ActiveRecord::Migration[7.2]
  include Marks

  OF_AN_ATHLETE = %w[screenings clearances measures prescriptions suspensions planned_sessions programmes].freeze
  # Of a session not what its deck says every second.
  OF_SESSIONS = %w[
    athlete_id prescription_id state local_date discarded_at proposed_verdict proposed_reason proposed_plain symptoms
    note given_up twin_of_id twin_settled done_ms dose
  ].freeze
  OF_ATHLETES = %w[
    name born_on sex height_cm mass_kg vital_capacity_l thrift locks control_pause_use control_pause_again_on left_on
  ].freeze

  def up
    add_column :athletes, :desk_mark, :bigint, null: false, default: 0
    execute "UPDATE athletes SET desk_mark = #{random}"
    OF_AN_ATHLETE.each { |table| marks(table, "athlete_id") }
    marks("sessions", "athlete_id", columns: OF_SESSIONS)
    marks("moves", "(SELECT athlete_id FROM prescriptions WHERE prescriptions.id = ROW.prescription_id)")
    marks("athletes", "id", columns: OF_ATHLETES)
  end

  private

  # @param athlete [String] a column, or SQL in which ROW is the row that was written
  def marks(table, athlete, columns: nil)
    {"insert" => "NEW", "update" => "NEW", "delete" => "OLD"}.each do |event, row|
      next if table == "athletes" && event == "delete"

      of = (columns && event == "update") ? "UPDATE OF #{columns.join(", ")}" : event.upcase
      whose = athlete.include?("ROW") ? athlete.gsub("ROW", row) : "#{row}.#{athlete}"
      trigger("desk_of_#{table}_#{event}", "AFTER #{of} ON #{table}", another_desk_mark(whose))
    end
  end
end
