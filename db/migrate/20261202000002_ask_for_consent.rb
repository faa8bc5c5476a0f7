# frozen_string_literal: true

require_relative "../marks"

# Who agreed to what is kept of them. Whoever is here already has thirty days in which all goes on as before.
class AskForConsent < ActiveRecord::Migration[7.2]
  include Marks

  GRACE_DAYS = 30

  def up
    create_table :consents do |t|
      t.references :account, null: false, foreign_key: true, index: true
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}, index: true
      t.integer :version, null: false
      t.datetime :given_at, null: false
      # Empty where the athlete agreed; otherwise who did for them.
      t.text :guardian, null: false, default: ""
      # Who wrote it down; nobody where it was given by link.
      t.text :written_by, null: false, default: ""
      t.datetime :ended_at
    end
    create_table :consent_links do |t|
      t.references :account, null: false, foreign_key: true, index: true
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}, index: true
      t.text :digest, null: false, index: {unique: true}
      t.bigint :made_by, null: false
      t.datetime :made_at, null: false
      t.datetime :ends_at, null: false
      t.datetime :revoked_at
    end
    add_column :athletes, :consent_due_on, :date
    execute "UPDATE athletes SET consent_due_on = '#{Date.today + GRACE_DAYS}'"
    %w[INSERT UPDATE].each do |deed|
      trigger("desk_of_consents_#{deed.downcase}", "AFTER #{deed} ON consents", another_desk_mark("NEW.athlete_id"))
    end
  end
end
