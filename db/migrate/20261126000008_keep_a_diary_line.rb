# frozen_string_literal: true

# A line a day, beside the scores: how somebody feels, and how long they slept.
class KeepADiaryLine < ActiveRecord::Migration[7.2]
  def change
    change_table(:days) do |t|
      t.integer :feeling
      t.float :slept_h
      t.check_constraint "feeling IS NULL OR feeling BETWEEN 1 AND 5", name: "days_feeling"
      t.check_constraint "slept_h IS NULL OR slept_h BETWEEN 0 AND 24", name: "days_slept_h"
    end
  end
end
