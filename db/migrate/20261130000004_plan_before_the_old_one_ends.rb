# frozen_string_literal: true

# A programme that is not planned yet waits: the one before it stays in force until it stands.
class PlanBeforeTheOldOneEnds < ActiveRecord::Migration[7.2]
  def change
    add_column :programmes, :waits, :boolean, null: false, default: false
    remove_index :programmes,
      column: :athlete_id,
      name: "programmes_one_at_a_time",
      unique: true,
      where: "ended_at IS NULL"
    add_index :programmes,
      %i[athlete_id waits],
      unique: true,
      where: "ended_at IS NULL",
      name: "programmes_one_at_a_time"
  end
end
