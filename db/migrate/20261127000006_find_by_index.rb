# frozen_string_literal: true

# What the desk asks for is few of many: indexes of those few.
class FindByIndex < ActiveRecord::Migration[7.2]
  def change
    add_index :sessions,
      :athlete_id,
      where: "twin_of_id IS NOT NULL AND NOT twin_settled",
      name: "sessions_of_two_devices"
    add_index :moves,
      :prescription_id,
      where: "verdict_now IS NOT NULL AND taken_back_at IS NULL",
      name: "moves_judged_otherwise"
    add_index :moves, %i[local_date prescription_id]
    add_index :moves, [:decided_at]
    add_index :days, %i[local_date athlete_id]
    add_index :measures,
      %i[taken_at athlete_id],
      where: "kind = 'control_pause' AND on_waking",
      name: "morning_scores_by_day"
    add_index :sessions, %i[local_date athlete_id], name: "sessions_by_day_of_everybody"
  end
end
