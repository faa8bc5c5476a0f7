# frozen_string_literal: true

# A letter to a clinician as a link: it is answered once, and the answer waits for the coach.
class AskCliniciansByLink < ActiveRecord::Migration[7.2]
  def change
    create_table :letters do |t|
      t.references :account, null: false, foreign_key: true, index: true
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}, index: true
      # Of the secret only this is kept.
      t.text :digest, null: false, index: {unique: true}
      t.bigint :made_by, null: false
      t.datetime :made_at, null: false
      t.datetime :ends_at, null: false
      t.datetime :answered_at
      t.json :answer, null: false, default: {}
      # The coach did something with the answer.
      t.datetime :taken_at
    end
  end
end
