# frozen_string_literal: true

# What the log teaches the model about an athlete, and what the model said of a session when it was planned.
class AddWhatTheGasModelLearns < ActiveRecord::Migration[7.2]
  def change
    change_table(:athletes) do |t|
      t.float :thrift, null: false, default: 1.0
      t.float :full_threshold
      t.boolean :oximeter_logged, null: false, default: false
      t.check_constraint "thrift BETWEEN 0.6 AND 1.2", name: "athletes_thrift"
    end
    add_column(:sessions, :forecast, :json)
  end
end
