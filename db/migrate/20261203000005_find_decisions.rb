# frozen_string_literal: true

# The log looks for days that were stopped or rested: few, among all that were decided.
class FindDecisions < ActiveRecord::Migration[7.2]
  def change = add_index(:moves, %i[decided prescription_id local_date], name: "moves_by_decision")
end
