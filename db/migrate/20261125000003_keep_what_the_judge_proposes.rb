# frozen_string_literal: true

# The judge's word on a day, kept with its newest set when something of it changes, so that Today need not judge anew.
class KeepWhatTheJudgeProposes < ActiveRecord::Migration[7.2]
  def change
    change_table(:sessions) do |t|
      t.text :proposed_verdict
      t.text :proposed_reason
      t.check_constraint "proposed_verdict IS NULL OR proposed_verdict IN ('stop', 'rest', 'ease', 'repeat', " \
        "'advance')",
        name: "sessions_proposed_verdict"
    end
  end
end
