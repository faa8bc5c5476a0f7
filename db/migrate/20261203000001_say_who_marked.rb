# frozen_string_literal: true

# Marks, runs and stops say who made them, by uuid; nobody is known of those that were made before.
class SayWhoMarked < ActiveRecord::Migration[7.2]
  def change
    add_column(:journal_events, :marked_by, :text, null: false, default: "")
    add_column(:sessions, :run_by, :text, null: false, default: "")
    add_column(:suspensions, :opened_by, :text, null: false, default: "")
    add_column(:suspensions, :lifted_by, :text, null: false, default: "")
    # The moment at which a role was ended; its last day says no more than the day.
    add_column(:roles, :ended_at, :datetime)
  end
end
