# frozen_string_literal: true

# A move that was taken back stays on record; another may be made of the same day. An edited log may judge a decided day
# otherwise: what the judge says now is kept beside what was decided.
class LetMovesBeTakenBack < ActiveRecord::Migration[7.2]
  def change
    change_table(:moves) do |t|
      t.boolean :reduced_before, null: false, default: false
      t.datetime :taken_back_at
      t.text :verdict_now
      t.text :reason_now
    end
    remove_index :moves, name: "one_move_a_prescription_a_day"
    remove_index :moves, column: :session_id
    add_index :moves,
      %i[prescription_id local_date],
      unique: true,
      where: "taken_back_at IS NULL",
      name: "one_move_a_prescription_a_day"
    add_index :moves, :session_id
    add_column :sessions, :washout, :float
    # The newest session of each protocol is asked for on every page of the desk.
    add_index :sessions, %i[athlete_id protocol local_date state done_ms], name: "sessions_newest_of_a_protocol"
  end
end
