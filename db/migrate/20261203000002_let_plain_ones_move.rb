# frozen_string_literal: true

# Plain verdicts of somebody who trains alone may move by themselves, where a coach allowed it: that coach, by uuid.
class LetPlainOnesMove < ActiveRecord::Migration[7.2]
  def change
    add_column(:prescriptions, :moves_by, :text, null: false, default: "")
    add_column(:moves, :by_rule, :boolean, null: false, default: false)
  end
end
