# frozen_string_literal: true

# What is long is read in behind the page: jobs, what they are about, and what an archive has brought that nobody sees
# yet.
class ReadInBehindThePage < ActiveRecord::Migration[7.2]
  def change
    create_table :delayed_jobs do |t|
      t.integer :priority, default: 0, null: false
      t.integer :attempts, default: 0, null: false
      t.text :handler, null: false
      t.text :last_error
      t.datetime :run_at
      t.datetime :locked_at
      t.datetime :failed_at
      t.string :locked_by
      t.string :queue
      t.timestamps null: true
    end
    add_index :delayed_jobs, %i[priority run_at]

    create_table :imports do |t|
      t.references :account, null: false, foreign_key: true, index: true
      t.text :uuid, null: false, index: {unique: true}
      t.text :kind, null: false
      t.json :about, null: false, default: {}
      t.text :state, null: false, default: "waiting"
      t.text :doing, null: false, default: ""
      t.integer :done, null: false, default: 0
      t.integer :total, null: false, default: 0
      t.json :result, null: false, default: {}
      # The account that an archive is read into.
      t.bigint :staging_id
      t.datetime :made_at, null: false
      t.datetime :ended_at
      t.check_constraint "state IN ('waiting', 'working', 'shown', 'asks', 'done', 'stopping', 'stopped', " \
        "'refused', 'failed')",
        name: "imports_state"
    end

    create_table :import_pieces do |t|
      t.references :import, null: false, foreign_key: {on_delete: :cascade}, index: false
      t.integer :number, null: false
      t.binary :bytes, null: false
      t.index %i[import_id number], unique: true
    end

    # An account that an archive is read into: nobody's, until it becomes a part of a house.
    add_column :accounts, :part_of_id, :bigint
    add_column :accounts, :staged, :json
    # The first account has its number by itself; the next one gets the next.
    reversible { |way| way.up { connection.reset_pk_sequence!("accounts") if connection.adapter_name == "PostgreSQL" } }
  end
end
