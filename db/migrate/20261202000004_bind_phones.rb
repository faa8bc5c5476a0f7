# frozen_string_literal: true

# An athlete's own phone: a link that binds it once, and the binding. Of secrets only digests are kept.
class BindPhones < ActiveRecord::Migration[7.2]
  def change
    create_table :devices do |t|
      t.references :account, null: false, foreign_key: true, index: true
      t.references :athlete, null: false, foreign_key: {on_delete: :cascade}, index: true
      # Who it signs in; nobody before it is bound.
      t.references :person, foreign_key: true, index: true
      t.text :link_digest, null: false, index: {unique: true}
      t.bigint :made_by, null: false
      t.datetime :made_at, null: false
      t.datetime :ends_at, null: false
      t.datetime :bound_at
      t.text :name, null: false, default: ""
      # The installed application takes the same binding with it by this, for a quarter of an hour.
      t.text :code_digest
      t.datetime :code_ends_at
      t.datetime :revoked_at
    end
  end
end
