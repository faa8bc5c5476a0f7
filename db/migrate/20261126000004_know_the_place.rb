# frozen_string_literal: true

# What the emergency card of the deck has to know beforehand.
class KnowThePlace < ActiveRecord::Migration[7.2]
  def change
    change_table(:accounts) do |t|
      t.text :emergency_number, null: false, default: ""
      t.text :site, null: false, default: ""
      t.text :oxygen_at, null: false, default: ""
      t.text :defibrillator_at, null: false, default: ""
    end
  end
end
