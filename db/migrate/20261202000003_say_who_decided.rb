# frozen_string_literal: true

# Who decided a verdict, by the uuid of a person; empty of what was decided before there was a sign-in.
class SayWhoDecided < ActiveRecord::Migration[7.2]
  def change = add_column(:moves, :decided_by, :text, null: false, default: "")
end
