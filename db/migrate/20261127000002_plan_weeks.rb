# frozen_string_literal: true

# Groups with their slots; programmes, what they are made from, and the sessions they plan.
class PlanWeeks < ActiveRecord::Migration[7.2]
  def change
    create_table(:groups) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.text :name, null: false
      t.index %i[account_id name], unique: true
    end
    create_table(:members) do |t|
      t.references :group, null: false, foreign_key: {on_delete: :cascade}, index: false
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}
      t.index %i[group_id athlete_id], unique: true
    end
    # A time of the week of a group, or of one athlete.
    create_table(:slots) do |t|
      t.references :group, foreign_key: {on_delete: :cascade}
      t.references :athlete, foreign_key: {on_delete: :cascade}
      t.integer :day, null: false
      t.integer :at_min, null: false
      t.integer :minutes, null: false
      t.text :place, null: false, default: ""
      t.check_constraint "day BETWEEN 1 AND 7", name: "slots_day"
      t.check_constraint "at_min BETWEEN 0 AND 1439", name: "slots_at"
      t.check_constraint "minutes BETWEEN 1 AND 600", name: "slots_minutes"
      t.check_constraint "(group_id IS NULL) <> (athlete_id IS NULL)", name: "slots_of_one"
    end
    # What is eased toward, and days in the water; of a group or of one athlete.
    create_table(:events) do |t|
      t.references :group, foreign_key: {on_delete: :cascade}
      t.references :athlete, foreign_key: {on_delete: :cascade}
      t.date :local_date, null: false
      t.text :kind, null: false
      t.integer :at_min
      t.text :name, null: false, default: ""
      t.check_constraint "kind IN ('competition', 'swell', 'concert', 'test', 'water')", name: "events_kind"
      t.check_constraint "(group_id IS NULL) <> (athlete_id IS NULL)", name: "events_of_one"
    end
    create_table(:absences) do |t|
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}
      t.date :from_on, null: false
      t.date :to_on, null: false
      t.text :because, null: false, default: ""
      t.check_constraint "to_on >= from_on", name: "absences_in_order"
    end
    create_table(:programmes) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}
      t.references :group, foreign_key: {on_delete: :nullify}
      t.date :starts_on, null: false
      t.integer :weeks, null: false
      t.integer :easy_every
      t.datetime :planned_at, null: false
      t.datetime :ended_at
      t.integer :lock_version, null: false, default: 0
      # What did not find a place, and what each week comes to, as they were planned.
      t.json :left_out, null: false, default: []
      t.json :loads, null: false, default: []
      t.index %i[athlete_id], unique: true, where: "ended_at IS NULL", name: "programmes_one_at_a_time"
      t.check_constraint "weeks BETWEEN 1 AND 26", name: "programmes_weeks"
      t.check_constraint "easy_every IS NULL OR easy_every BETWEEN 3 AND 6", name: "programmes_easy_every"
    end
    create_table(:trainings) do |t|
      t.references :programme, null: false, foreign_key: {on_delete: :cascade}, index: false
      t.references :prescription, null: false, foreign_key: {on_delete: :cascade}
      t.integer :times_a_week, null: false
      t.index %i[programme_id prescription_id], unique: true
      t.check_constraint "times_a_week BETWEEN 1 AND 7", name: "trainings_times"
    end
    create_table(:planned_sessions) do |t|
      t.references :programme, null: false, foreign_key: {on_delete: :cascade}
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}, index: false
      # None: a maximal hold.
      t.references :prescription, foreign_key: {on_delete: :cascade}
      t.text :uuid, null: false, index: {unique: true}
      t.date :local_date, null: false
      t.integer :at_min, null: false
      t.integer :begins_min, null: false
      t.integer :slot_minutes, null: false
      t.text :place, null: false, default: ""
      t.integer :rung
      t.boolean :expected, null: false, default: false
      t.boolean :light, null: false, default: false
      t.boolean :apart, null: false, default: false
      t.boolean :fixed, null: false, default: false
      t.float :seconds, null: false
      t.float :hold_seconds, null: false
      t.text :dose_words, null: false, default: ""
      t.json :reasons, null: false, default: []
      # Where it lay before a coach moved it.
      t.date :moved_from_on
      t.integer :moved_from_min
      t.integer :sequence, null: false, default: 0
      t.index %i[athlete_id local_date at_min]
      t.index %i[local_date at_min]
    end
    # A secret address under which a calendar reads a programme. It is no part of an archive.
    create_table(:feeds) do |t|
      t.references :athlete, foreign_key: {on_delete: :cascade}
      t.references :group, foreign_key: {on_delete: :cascade}
      t.text :secret, null: false, index: {unique: true}
      t.datetime :made_at, null: false
      t.check_constraint "(group_id IS NULL) <> (athlete_id IS NULL)", name: "feeds_of_one"
    end
  end
end
