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

      # @return [Hash{Integer => Measures::Values}] what doses are computed from, by athlete
      def self.newest_values(athletes)
        pauses = newest_control_pauses(athletes.map(&:id))
        others = where(athlete_id: athletes.map(&:id), kind: %w[maximal_hold sustained_exhale]).order(:taken_at)
          .pluck(:athlete_id, :kind, :value).to_h { |id, kind, value| [[id, kind], value] }
        athletes.to_h do |athlete|
          [athlete.id, Measures::Values.new(control_pause_s: pauses[athlete.id], control_pause_paused: athlete.control_pause_use == "paused",
            maximal_hold_s: others[[athlete.id, "maximal_hold"]], sustained_exhale_beats: others[[athlete.id, "sustained_exhale"]])]
        end
      end

      # @return [Hash{Integer => Float}] seconds of the newest valid control pause, by athlete
      def self.newest_control_pauses(athlete_ids)
        valid_control_pauses.where(athlete_id: athlete_ids).order(:taken_at).pluck(:athlete_id, :value).to_h
      end

      def control_pause? = kind == "control_pause"

      # @return [Measures::Taken] of every other kind
      def to_taken = Measures::Taken.new(value: value, details: details.transform_keys(&:to_sym), taken_at: taken_at.getlocal)

      def to_kind = Measures.kind(kind)

      # @return [Measures::ControlPause] in the local time of the machine
      def to_control_pause
        Measures::ControlPause.new(seconds: value, taken_at: taken_at.getlocal, on_waking: on_waking,
          ended_by: ended_by.to_sym, first_breath: first_breath.to_sym)
      end
    end
  end
end
