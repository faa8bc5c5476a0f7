# frozen_string_literal: true

require_relative "../marks"

# What somebody felt, outside of a session that their coach ran: told by themselves, seen by a coach.
class TellOfFeelingBad < ActiveRecord::Migration[7.2]
  include Marks

  FROM_ONE_THING =
    %w[session measure dive complaint].map { |one| "(CASE WHEN #{one}_id IS NULL THEN 0 ELSE 1 END)" }.join(" + ")

  def up
    create_table :complaints do |t|
      t.references :account, null: false, foreign_key: true
      t.references :athlete, null: false, foreign_key: true
      t.text :uuid, null: false, index: {unique: true}
      t.text :symptom, null: false
      t.integer :strength, null: false
      t.date :local_date, null: false
      t.text :note, null: false, default: ""
      t.datetime :told_at, null: false
      t.datetime :seen_at
      t.text :seen_by, null: false, default: ""
    end
    add_index(:complaints, %i[account_id seen_at])
    keeping_triggers("suspensions") { let_stops_come_from_them }
  end

  private

  def let_stops_come_from_them
    add_reference(:suspensions, :complaint, foreign_key: true, index: false)
    remove_check_constraint(:suspensions, name: "suspensions_come_from_one_thing")
    add_check_constraint(:suspensions, "#{FROM_ONE_THING} = 1", name: "suspensions_come_from_one_thing")
  end
end
