# frozen_string_literal: true

# A family with a dose of the coach's own, under a name; and the prescriptions that begin from one.
class KeepOwnProtocols < ActiveRecord::Migration[7.2]
  def change
    create_table(:own_protocols) do |t|
      t.references :account, null: false, foreign_key: true
      t.text :name, null: false
      t.text :protocol, null: false
      t.json :dose, null: false
      t.text :note, null: false, default: ""
      t.timestamps
      t.check_constraint "length(trim(name)) BETWEEN 1 AND 80", name: "own_protocols_name"
    end
    change_table(:prescriptions) do |t|
      t.text :own_name
      t.json :own_dose
    end
  end
end
