# frozen_string_literal: true

# Answers of a day, and clinicians' clearances with an end. The newest answers count.
class CreateScreenings < ActiveRecord::Migration[7.2]
  def change
    create_table(:screenings) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.references :athlete, null: false, foreign_key: true
      t.date :answered_on, null: false
      t.json :conditions, null: false, default: []
      t.date :guardian_consent_on
      t.datetime :created_at, null: false
    end
    create_table(:clearances) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.references :athlete, null: false, foreign_key: true
      t.text :clinician, null: false
      t.json :families, null: false
      t.date :given_on, null: false
      t.date :expires_on, null: false
      t.datetime :created_at, null: false
      t.check_constraint "length(trim(clinician)) > 0", name: "clearances_clinician"
      t.check_constraint "expires_on >= given_on", name: "clearances_expiry"
    end
  end
end
