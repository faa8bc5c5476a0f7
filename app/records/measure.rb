# frozen_string_literal: true

module Windlass
  module Records
    class Measure < Record
      include Discardable

      self.table_name = "measures"
      reads :details
      belongs_to :athlete

      # Control pauses that doses may be computed from: what {Measures::ControlPause#valid?} says, as a query.
      scope :valid_control_pauses,
        -> do
          where(
            kind: "control_pause",
            first_breath: "calm",
            value: Measures::PLAUSIBLE_S,
            caution: "",
            ended_by: Measures::ENDINGS.select { |_, ending| ending.bodily }.keys
          )
        end

      # Kinds that doses hang on besides the control pause.
      OTHERS = %w[maximal_hold sustained_exhale].freeze

      # @return [Hash{Integer => Measures::Values}] what doses are computed from, by athlete
      def self.newest_values(athletes)
        newest =
          AthleteSnapshot.of(:newest, athletes.map(&:id)) do |ids|
            taken = newest(ids, *dosing).index_by { |one| [one.athlete_id, one.kind] }
            ids.to_h do |id|
              [id, [taken[[id, "control_pause"]]&.value, *OTHERS.map { |kind| taken[[id, kind]]&.to_taken }]]
            end
          end
        athletes.to_h { |athlete| [athlete.id, values(athlete, *newest.fetch(athlete.id))] }
      end

      def self.values(athlete, control_pause_s, maximal_hold, sustained_exhale)
        Measures::Values.new(
          control_pause_s: control_pause_s,
          control_pause_paused: athlete.control_pause_use == "paused",
          maximal_hold_s: maximal_hold&.value,
          maximal_hold_shown_on: maximal_hold&.taken_at&.to_date,
          sustained_exhale_beats: sustained_exhale&.value
        )
      end

      # What ended badly doses nothing: what {Measures::HeldToTheEnd#went_well?} says, as a query.
      scope :that_went_well,
        -> do
          where(caution: "").where(
            "coalesce(details ->> 'eventful', 'no') = 'no' AND coalesce(details ->> 'first_breath', '') <> 'gasp'"
          )
        end

      # The newest of each athlete: a look into the index for each, however many there are.
      # @param of_each [Array<Arel::Nodes::SqlLiteral>] as {.newest_of} words them
      # @return [ActiveRecord::Relation]
      def self.newest(athlete_ids, *of_each) =
        unscoped.where(id: Athlete.where(id: athlete_ids).pluck(*of_each).flatten.compact)

      # @param found [ActiveRecord::Relation] of measures of one kind
      # @return [Arel::Nodes::SqlLiteral] the newest of an athlete
      def self.newest_of(found)
        newest = found.where("measures.athlete_id = athletes.id").order(taken_at: :desc, id: :desc).limit(1).select(:id)
        Arel.sql("(#{newest.to_sql})")
      end

      # What doses hang on is asked with each deed, in the same words each time.
      def self.dosing =
        @dosing ||=
          [valid_control_pauses, *OTHERS.map { |kind| that_went_well.where(kind: kind) }].map do |found|
            newest_of(found)
          end
            .freeze
      private_class_method :values, :dosing

      # @param since [Date]
      # @return [Hash{Integer => Measures::MorningSeries}] by athlete
      def self.morning_series(athlete_ids, since:)
        AthleteSnapshot.of(:mornings, athlete_ids, since.jd) do |ids|
          taken = mornings(ids, since: Time.new(since.year, since.month, since.day))
          ids.to_h { |id| [id, Measures::MorningSeries.new(taken.fetch(id, []))] }
        end
      end

      # @return [Hash{Integer => Array<Measures::ControlPause>}] those taken on waking, by athlete
      def self.mornings(athlete_ids, since:)
        where(athlete_id: athlete_ids, kind: "control_pause", on_waking: true, caution: "", taken_at: since..)
          .pluck(:athlete_id, :value, :taken_at, :ended_by, :first_breath)
          .group_by(&:first)
          .transform_values do |rows|
            rows.map do |_, value, taken_at, ended_by, first_breath|
              Measures::ControlPause.new(
                seconds: value, taken_at: taken_at.getlocal, on_waking: true, ended_by: ended_by.to_sym,
                first_breath: first_breath.to_sym
              )
            end
          end
      end
      private_class_method :mornings

      # @return [Hash{Integer => Hash}] details of the newest breathing movement, by athlete
      def self.newest_movements(athlete_ids) =
        newest(athlete_ids, newest_of(where(kind: "breathing_movement")))
          .pluck(:athlete_id, :details)
          .to_h
          .transform_values { |details| details.transform_keys(&:to_sym) }

      def control_pause? = kind == "control_pause"

      # @return [Measures::Taken] of every other kind
      def to_taken =
        Measures::Taken.new(value: value, details: details.transform_keys(&:to_sym), taken_at: taken_at.getlocal)

      def to_kind = Measures.kind(kind)

      # @return [String] what it is called
      def name = control_pause? ? "Control pause" : to_kind.name

      # @return [String] address of its page
      def path = control_pause? ? "/control-pauses/#{uuid}" : "/measures/#{uuid}"

      # @return [Measures::ControlPause] in the local time of the machine
      def to_control_pause
        Measures::ControlPause.new(
          seconds: value, taken_at: taken_at.getlocal, on_waking: on_waking, ended_by: ended_by.to_sym,
          first_breath: first_breath.to_sym
        )
      end
    end
  end
end
