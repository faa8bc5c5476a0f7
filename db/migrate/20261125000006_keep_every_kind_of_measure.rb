# frozen_string_literal: true

# Besides the control pause: maximal and empty hold, sustained exhale, breathing movement, resting numbers. What is
# asked with them stands in details.
class KeepEveryKindOfMeasure < ActiveRecord::Migration[7.2]
  KINDS = "'control_pause', 'maximal_hold', 'empty_hold', 'sustained_exhale', 'breathing_movement', 'resting_numbers'"

  def up
    remove_check_constraint :measures, name: "measures_kind"
    remove_check_constraint :measures, name: "measures_value"
    change_column_null :measures, :ended_by, true
    change_column_null :measures, :first_breath, true
    add_column :measures, :details, :json, null: false, default: {}
    add_check_constraint :measures, "kind IN (#{KINDS})", name: "measures_kind"
    add_check_constraint :measures, "value >= 0 AND value <= 900", name: "measures_value"
    add_check_constraint :measures,
      "kind <> 'control_pause' OR (ended_by IS NOT NULL AND first_breath IS NOT NULL AND value > 0)",
      name: "measures_control_pause_is_whole"
  end

  def down = raise(ActiveRecord::IrreversibleMigration)
end
