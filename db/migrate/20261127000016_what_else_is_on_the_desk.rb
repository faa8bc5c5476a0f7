# frozen_string_literal: true

require_relative "../marks"

# Whether a fall of the control pause means something hangs on signs of bad sleep; which set of a day is its last, on
# when each was begun.
class WhatElseIsOnTheDesk < ActiveRecord::Migration[7.2]
  include Marks

  OF_ATHLETES = %w[
    name born_on sex height_cm mass_kg vital_capacity_l thrift locks control_pause_use control_pause_again_on
    sleep_signs left_on
  ].freeze
  OF_SESSIONS = %w[
    athlete_id prescription_id state local_date started_at discarded_at proposed_verdict proposed_reason proposed_plain
    symptoms note given_up twin_of_id twin_settled dose
  ].freeze
  AS_A_SESSION_RUNS = %w[done_ms judged_mark].freeze

  def up
    anew("athletes", OF_ATHLETES, "NEW.id")
    same =
      OF_SESSIONS
        .map { |column| "OLD.#{column} #{sqlite? ? "IS" : "IS NOT DISTINCT FROM"} NEW.#{column}" }
        .join(" AND ")
    anew(
      "sessions",
      [*OF_SESSIONS, *AS_A_SESSION_RUNS],
      "NEW.athlete_id",
      condition: "NOT (NEW.state = 'running' AND #{same})"
    )
  end

  private

  def anew(table, columns, athlete, condition: nil)
    name = "desk_of_#{table}_update"
    execute "DROP TRIGGER #{name}#{" ON #{table}" unless sqlite?}"
    trigger(name, "AFTER UPDATE OF #{columns.join(", ")} ON #{table}", another_desk_mark(athlete), condition: condition)
  end
end
