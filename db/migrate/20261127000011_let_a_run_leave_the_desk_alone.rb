# frozen_string_literal: true

require_relative "../marks"

# While a session runs its deck writes every second; nothing of that is on the desk. What is corrected in a session that
# is over is: its rounds are among what an athlete's mark stands for.
class LetARunLeaveTheDeskAlone < ActiveRecord::Migration[7.2]
  include Marks

  ON_THE_DESK = %w[
    athlete_id prescription_id state local_date discarded_at proposed_verdict proposed_reason proposed_plain symptoms
    note given_up twin_of_id twin_settled dose
  ].freeze
  AS_IT_RUNS = %w[done_ms judged_mark].freeze
  NAME = "desk_of_sessions_update"

  def up
    execute "DROP TRIGGER #{NAME}#{" ON sessions" unless sqlite?}"
    same =
      ON_THE_DESK
        .map { |column| "OLD.#{column} #{sqlite? ? "IS" : "IS NOT DISTINCT FROM"} NEW.#{column}" }
        .join(" AND ")
    trigger(
      NAME,
      "AFTER UPDATE OF #{[*ON_THE_DESK, *AS_IT_RUNS].join(", ")} ON sessions",
      another_desk_mark("NEW.athlete_id"),
      condition: "NOT (NEW.state = 'running' AND #{same})"
    )
  end
end
