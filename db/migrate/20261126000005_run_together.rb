# frozen_string_literal: true

# Several sessions on one deck; who follows one from another screen; which device ran it.
class RunTogether < ActiveRecord::Migration[7.2]
  def change
    create_table(:squads) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.text :uuid, null: false, index: {unique: true}
      t.date :local_date, null: false
      t.datetime :planned_at, null: false
      t.integer :gap_s, null: false
      t.integer :latest_s, null: false
      t.integer :minutes
      t.boolean :on_the_word, null: false, default: false
      t.integer :lock_version, null: false, default: 0
      t.index %i[account_id local_date]
      t.check_constraint "gap_s BETWEEN 4 AND 15", name: "squads_gap"
      t.check_constraint "latest_s BETWEEN 0 AND 900", name: "squads_latest"
      t.check_constraint "minutes IS NULL OR minutes BETWEEN 1 AND 240", name: "squads_minutes"
    end
    change_table(:sessions) do |t|
      t.references :squad, foreign_key: {on_delete: :nullify}
      # Its place among the others from 0, when it starts, and the place of who watches it.
      t.integer :lane
      t.integer :starts_s
      t.integer :pair_lane
      # What a second screen shows of it, as the deck last said, and when that came.
      t.json :told
      t.datetime :told_at
      # The device that ran it. What another device ran of the same is kept as a session of its own.
      t.text :device
      t.references :twin_of, foreign_key: {to_table: :sessions, on_delete: :cascade}
      t.boolean :twin_settled, null: false, default: false
    end
  end
end
