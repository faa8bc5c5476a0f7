# frozen_string_literal: true

# What is counted aloud of a prescription: as its family does, up, down, or not at all.
class CountAsSomebodyLikes < ActiveRecord::Migration[7.2]
  def change
    add_column :prescriptions, :counting, :text, null: false, default: ""
  end
end
