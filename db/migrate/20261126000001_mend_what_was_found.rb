# frozen_string_literal: true

# A stop opens each time it is said, and measures open one too; a day's sets are given up or discarded; sounded exhales
# say how they were; an old day is only noted; nobody overwrites what they have not seen; what is sent twice is kept
# once.
class MendWhatWasFound < ActiveRecord::Migration[7.2]
  def up
    suspensions
    sessions
    rounds
    add_column :moves, :noted, :boolean, null: false, default: false
    add_column :days, :oximeter, :boolean, null: false, default: false
    add_column :athletes, :lock_version, :integer, null: false, default: 0
    add_column :own_protocols, :deleted_at, :datetime
    %i[athletes screenings clearances].each do |table|
      add_column table, :uuid, :text
      add_index table, :uuid, unique: true
    end
  end

  def down = raise(ActiveRecord::IrreversibleMigration)

  private

  def suspensions
    remove_index :suspensions, column: %i[session_id kind]
    change_column_null :suspensions, :session_id, true
    add_reference :suspensions, :measure, foreign_key: true, index: false
    add_index :suspensions, :session_id, unique: true, where: "kind = 'rest'", name: "one_rest_a_session"
    add_check_constraint :suspensions,
      "(session_id IS NULL) <> (measure_id IS NULL)",
      name: "suspensions_come_from_one_thing"
  end

  def sessions
    change_table(:sessions) do |t|
      t.boolean :given_up, null: false, default: false
      t.datetime :discarded_at
    end
    # A double click used to plan twice: the newest stays, the others were never begun.
    execute <<~SQL
      DELETE FROM sessions WHERE state = 'planned' AND id NOT IN
        (SELECT max(id) FROM sessions WHERE state = 'planned' GROUP BY prescription_id, local_date)
    SQL
    add_index :sessions,
      %i[prescription_id local_date],
      unique: true,
      where: "state = 'planned'",
      name: "one_planned_session_a_day"
    add_index :sessions, %i[prescription_id local_date], name: "sessions_of_a_prescription_by_day"
  end

  def rounds
    change_table(:rounds) do |t|
      t.text :ribs
      t.text :stream
      t.check_constraint "ribs IS NULL OR ribs IN ('wide', 'dropped')", name: "rounds_ribs"
      t.check_constraint "stream IS NULL OR stream IN ('even', 'flickering')", name: "rounds_stream"
    end
  end
end
