# frozen_string_literal: true

# A set that lies on somebody's phone, for a day without a network: as it was planned, and never changed. What is run of
# it says which it was.
class LaySetsOnPhones < ActiveRecord::Migration[7.2]
  def change
    create_table :laid_sets do |t|
      t.references :account, null: false, foreign_key: true
      t.references :athlete, null: false, foreign_key: true
      t.references :prescription, null: false, foreign_key: true, index: false
      t.references :timeline, null: false, foreign_key: true
      t.text :uuid, null: false, index: {unique: true}
      t.text :digest, null: false
      t.date :local_date, null: false
      t.text :protocol, null: false
      t.json :dose, null: false
      t.integer :rung, null: false
      t.boolean :reduced, null: false, default: false
      t.boolean :light, null: false, default: false
      t.json :lowered_to
      t.text :posture, null: false
      t.json :forecast
      t.float :washout
      t.datetime :laid_at, null: false
      t.index %i[prescription_id local_date digest], unique: true
      t.index %i[athlete_id local_date]
    end
    add_column(:sessions, :laid_set_uuid, :text, null: false, default: "")
  end
end
