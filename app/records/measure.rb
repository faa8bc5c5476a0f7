# frozen_string_literal: true

module Windlass
  module Records
    class Measure < Record
      self.table_name = "measures"
      belongs_to :athlete

      # Control pauses that doses may be computed from: what {Measures::ControlPause#valid?} says, as a query.
      scope :valid_control_pauses, -> {
        where(kind: "control_pause", first_breath: "calm", value: Measures::PLAUSIBLE_S,
          ended_by: Measures::ENDINGS.select { |_, ending| ending.bodily }.keys)
      }

      # @return [Hash{Integer => Float}] seconds of the newest valid control pause, by athlete
      def self.newest_control_pauses(athlete_ids)
        valid_control_pauses.where(athlete_id: athlete_ids).order(:taken_at).pluck(:athlete_id, :value).to_h
      end

      def control_pause? = kind == "control_pause"

      # @return [Measures::ControlPause] in the local time of the machine
      def to_control_pause
        Measures::ControlPause.new(seconds: value, taken_at: taken_at.getlocal, on_waking: on_waking,
          ended_by: ended_by.to_sym, first_breath: first_breath.to_sym)
      end
    end
  end
end
