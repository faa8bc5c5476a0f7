# frozen_string_literal: true

# The gas model learns of few sessions: those in which an oximeter was read, or a first urge was marked. Whether one is
# among them is looked up, not found out by reading its rounds.
class FindWhatTeaches < ActiveRecord::Migration[7.2]
  def change
    add_index :rounds,
      :session_id,
      where: "sao2_low IS NOT NULL OR first_urge_ms IS NOT NULL",
      name: "rounds_that_teach"
  end
end
