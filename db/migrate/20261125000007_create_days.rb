# frozen_string_literal: true

# What an athlete says today, and who watches.
class CreateDays < ActiveRecord::Migration[7.2]
  def change
    create_table(:days) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.references :athlete, null: false, foreign_key: true, index: false
      t.date :local_date, null: false
      t.json :answers, null: false, default: []
      t.boolean :chest, null: false, default: false
      t.text :watcher, null: false, default: ""
      t.timestamps
      t.index %i[athlete_id local_date], unique: true
      t.check_constraint "length(watcher) <= 80", name: "days_watcher"
    end
  end
end
