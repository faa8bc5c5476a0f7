# frozen_string_literal: true

require_relative "../marks"

# What the judge reads of a session and its rounds stands under a mark that is another as soon as any of it changes, as
# with the desk of an athlete: of a past in which nothing changed nothing is read again.
class MarkWhatIsJudgedOfSessions < ActiveRecord::Migration[7.2]
  include Marks

  JUDGED = %w[athlete_id prescription_id local_date protocol dose effort symptoms light done_ms washout ended_at].freeze

  def up
    add_column :sessions, :judged_mark, :bigint, null: false, default: 0
    execute "UPDATE sessions SET judged_mark = #{random}"
    marks("sessions", "INSERT", "NEW.id")
    marks("sessions", "UPDATE OF #{JUDGED.join(", ")}", "NEW.id")
    {"INSERT" => "NEW", "UPDATE" => "NEW", "DELETE" => "OLD"}.each do |event, row|
      marks("rounds", event, "#{row}.session_id")
    end
  end

  private

  def marks(table, event, session)
    trigger(
      "judged_of_#{table}_#{event[/\w+/].downcase}",
      "AFTER #{event} ON #{table}",
      "UPDATE sessions SET judged_mark = #{random} WHERE id = #{session}"
    )
  end
end
