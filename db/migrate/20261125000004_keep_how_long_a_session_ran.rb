# frozen_string_literal: true

# Sessions without holds are judged on their minutes.
class KeepHowLongASessionRan < ActiveRecord::Migration[7.2]
  def change
    add_column(:sessions, :done_ms, :integer)
  end
end
