# frozen_string_literal: true

require "forwardable"

module Windlass
  module Presenters
    # An athlete's own page: what is to be done now, what comes later today, how it goes, the week.
    class Mine
      # Of the trace so many lines are shown.
      LINES = 30
      extend Forwardable

      attr_reader :athlete

      # @param athlete [Records::Athlete] who reads it
      # @param decides [Boolean] they are their own coach, too
      # @param chosen [Integer] which set they want to do first, where they said so
      def initialize(athlete, now:, decides: false, chosen: 0)
        @athlete = athlete
        @chosen = chosen
        @decides = decides
        @now = now
        @sheet = AthleteSheet.new(athlete, now: now)
        @week = MyWeek.new(athlete, today)
      end

      def_delegators :@sheet, :stop, :rest, :pause_words
      def_delegators :@week, :week, :news

      # @return [Boolean] they are their own coach, too
      def decides? = @decides

      def date = Dates.long(@now.to_date)

      # @return [MySet, nil] what is to be done now; nil where nothing is
      def now = @first ||= sets.select(&:now?).min_by.with_index { |set, place| [(set.id == @chosen) ? 0 : 1, place] }

      # @return [Array<MySet>] the others of today, those first that wait
      def later = stop ? [] : sets - [now]

      # @return [String] where nothing is to be done now: what comes next
      def nothing_now
        if @sheet.prescriptions.empty?
          return @decides ? "Nothing is planned for you yet." : "Nothing is planned for you yet. Your coach plans it."
        end

        coming = week.first
        ["Nothing to do just now.", ("Next: #{coming.words}, #{coming.sets.first}." if coming)].compact.join(" ")
      end

      # @return [Array<Array(Integer, String)>] what may have been done without the phone
      def trainings = stop ? [] : @sheet.prescriptions.select(&:dosed?).map { |one| [one.id, one.name] }

      # @return [Forms::DoneForm] the first of them, just now
      def done_now =
        Forms::DoneForm.blank(
          training: trainings.dig(0, 0).to_s, on: today.iso8601, at: @now.strftime("%H:%M")
        )

      # @return [String] with whom to speak after a stop
      def speak_with = @decides ? "a clinician" : "your coach"

      # @return [String] how it goes, in a sentence
      def going = @sheet.going.in_words

      # @return [Spark, nil] their mornings over twelve weeks
      def spark = Spark.of(@sheet.chart.mornings, today: today)

      # @return [Boolean] a morning score of today is missing, and may be taken
      def morning? = stop.nil? && !scored_today? && athlete.control_pause_use != "paused"

      # @return [ConsentPage]
      def consent = @consent ||= ConsentPage.new(athlete, form: Forms::ConsentForm.blank, now: @now, themselves: true)

      # @return [EmergencyCard]
      def emergency_card = @emergency_card ||= EmergencyCard.new(athlete.account.place)

      # @return [Array<TraceRow>] who did what with what is theirs, newest first
      def trace = TraceRow.of(Records::TraceEntry.where(athlete_id: athlete.id).order(id: :desc).limit(LINES).to_a)

      private

      def today = @now.to_date

      # Where weeks are planned only what lies on today is today's.
      # @return [Array<MySet>] in the order of the day
      def sets
        @sets ||=
          begin
            at = @week.planned.select { |one| one.local_date == today }.to_h { |one| [one.prescription_id, one.at] }
            own = @sheet.prescriptions.map { |one| MySet.new(one, athlete, at: at[one.id], now: @now) }
            own = own.select { |set| at.key?(set.id) } if @week.planned.any?
            own.sort_by { |set| [set.at.to_s, set.id] }
          end
      end

      def scored_today?
        athlete.measures.where(kind: "control_pause", on_waking: true, taken_at: today.to_time..).exists?
      end
    end
  end
end
