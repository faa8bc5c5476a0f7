# frozen_string_literal: true

# The newest measure of an athlete, of whatever kind: without this every measure ever taken is sorted.
class FindTheNewestMeasureOfAnyKind < ActiveRecord::Migration[7.2]
  def change = add_index(:measures, %i[athlete_id taken_at])
end
