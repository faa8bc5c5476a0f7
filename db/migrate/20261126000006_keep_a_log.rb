# frozen_string_literal: true

# The log as a place of its own: found by index, however long the house has been open. What was written in, and what
# stood before a correction.
class KeepALog < ActiveRecord::Migration[7.2]
  def change
    change_table(:sessions) do |t|
      # The line or the form that it came from; empty where it was run on the deck.
      t.text :written_in, null: false, default: ""
      t.index %i[account_id local_date id], name: "sessions_by_day"
      t.index %i[account_id protocol local_date id], name: "sessions_of_a_protocol_by_day"
      t.index %i[account_id local_date id], where: "symptoms <> '[]'", name: "sessions_with_symptoms_by_day"
      t.index %i[account_id proposed_verdict local_date id], name: "sessions_of_a_verdict_by_day"
    end
    create_table(:corrections) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.text :of, null: false
      t.integer :of_id, null: false
      t.datetime :corrected_at, null: false
      t.text :corrected_by, null: false
      # What stood there before.
      t.json :before, null: false
      t.index %i[of of_id corrected_at]
    end
  end
end
