# frozen_string_literal: true

# Who is erased is gone from every table at once; for a fortnight their archive lies here, so that it can be undone.
class EraseWithUndo < ActiveRecord::Migration[7.2]
  def change
    create_table :erasures do |t|
      t.references :account, null: false, foreign_key: true, index: true
      t.bigint :made_by, null: false
      t.text :name, null: false
      t.text :digest, null: false
      t.binary :archive, null: false
      t.datetime :made_at, null: false
      t.datetime :ends_at, null: false, index: true
    end
  end
end
