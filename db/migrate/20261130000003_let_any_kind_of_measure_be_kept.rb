# frozen_string_literal: true

require_relative "../marks"

# Which kinds of measure there are the core says, and no check in the database besides: one more is one file.
class LetAnyKindOfMeasureBeKept < ActiveRecord::Migration[7.2]
  include Marks

  def up = keeping_triggers(:measures) { remove_check_constraint :measures, name: "measures_kind" }
end
