# frozen_string_literal: true

module Windlass
  module Records
    class Athlete < Record
      self.table_name = "athletes"
      reads :disciplines
      seals :notes, lost: Sealed::LOST
      # By it somebody is known again in an archive, and as erased.
      attribute :uuid, default: -> { SecureRandom.uuid }

      belongs_to :account, class_name: "Windlass::Records::Account"
      has_many :measures
      has_many :days
      has_many :prescriptions, inverse_of: :athlete
      has_many :sessions
      has_many :suspensions
      has_many :screenings
      has_many :clearances
      has_many :consents
      has_many :slots, -> { in_order }, dependent: :destroy
      has_many :members
      has_many :groups, -> { by_name }, through: :members
      has_many :colds, -> { order(:ended_at) }

      # Who trains here still.
      scope :active, -> { where(left_on: nil) }

      scope :by_name, -> { order(Arel.sql("lower(name)"), :id) }

      # @return [Integer] whole years
      def age_on(date)
        date.year - born_on.year - ((date.strftime("%m%d") < born_on.strftime("%m%d")) ? 1 : 0)
      end

      # @return [Physiology::Body]
      def to_body(on:, posture: :seated)
        Physiology::Body.new(
          sex: sex,
          age: age_on(on),
          height_cm: height_cm,
          mass_kg: mass_kg,
          posture: posture,
          vital_capacity_l: vital_capacity_l,
          thrift: thrift
        )
      end

      # @return [Measures::Values] what doses are computed from
      def to_values = Measure.newest_values([self]).fetch(id)

      # @param kept [Records::Day, nil] where it was read already
      # @return [Records::Day] of that date; a new one where nothing was said yet
      def day_on(date, kept = days.find_by(local_date: date)) =
        kept || Day.new(account_id: account_id, athlete: self, local_date: date)

      # @param on [Date] the day of the reading: the baseline is that of the fortnight before it
      # @return [Measures::Context]
      def to_context(on:)
        Measures::Context.new(
          trained: disciplines.intersect?(%w[freediving spearfishing]),
          nervous: nervous,
          sleep_signs: sleep_signs,
          busy_signs: busy_signs,
          child: age_on(on) < Windlass::Screening::Ages::SMALL_HOLDS_FROM,
          use: control_pause_use.to_sym,
          baseline_s: mornings_before(on).baseline_s(on - 1)
        )
      end

      # @return [Measures::MorningSeries] of the fortnight before a day, and a day to spare
      def mornings_before(on)
        Measure.morning_series([id], since: on - Measures::MorningSeries::BASELINE_DAYS - 1).fetch(id)
      end

      # @return [Screening, nil] the newest answers
      def newest_screening = rows_of(:screenings).max_by { |one| [one.answered_on, one.id] }

      # @param on [Date]
      # @return [Screening::Screen] the newest answers, with what clinicians and guardians have said
      def to_screen(on:)
        newest = newest_screening
        newest = nil unless newest&.readable?
        Windlass::Screening::Screen.new(
          answered_on: newest&.answered_on,
          conditions: newest ? newest.conditions.map(&:to_sym) : [],
          guardian_consent_on: newest&.guardian_consent_on,
          clearances: rows_of(:clearances).map(&:to_core),
          age: age_on(on)
        )
      end

      # @return [Array] all that {#to_bounds} and {#switches} are made of, besides the day and the measures
      def bounded_by
        newest = newest_screening
        [
          sex,
          born_on,
          height_cm,
          mass_kg,
          vital_capacity_l,
          thrift,
          locks,
          newest&.answered_on,
          newest&.conditions,
          newest&.guardian_consent_on,
          rows_of(:clearances).map { |one| [one.families, one.given_on, one.expires_on] }
        ]
      end

      # @return [Hash] what bounds every ladder of this athlete: the gas model, the screening
      def to_bounds(on:, values:)
        {
          outlook: Forecasts.outlook(self, on: on, values: values),
          guards: [
            Progression::ScreenGuard.new(screen: to_screen(on: on), on: on, maximal_hold_s: values.maximal_hold_s)
          ]
        }
      end

      # @return [Hash{Symbol => Boolean}] what is switched on for this athlete, where the screening leaves it open
      def switches = locks ? {locks: true} : {}

      # @return [Suspension, nil] a stop that no clinician has cleared yet
      def stop_on(date) = rows_of(:suspensions).find { |one| one.stop? && one.binds_on?(date) }

      # @return [Suspension, nil] the one that binds today, stops before rests
      def suspension_on(date) =
        rows_of(:suspensions).select { |one| one.binds_on?(date) }.min_by { |one| one.stop? ? 0 : 1 }
    end
  end
end
