# frozen_string_literal: true

module Windlass
  module Presenters
    # What is kept of somebody and why, whether they agreed to it, and who may take it back.
    class ConsentPage
      Link = Value.define(:id, :words)

      attr_reader :athlete, :form

      # @param form [Forms::ConsentForm]
      # @param link [String, nil] address of a link that was made just now
      # @param themselves [Boolean] it is the athlete who reads it
      def initialize(athlete, form:, now:, link: nil, themselves: false)
        @themselves = themselves
        @athlete = athlete
        @form = form
        @now = now
        @link = link
      end

      attr_reader :link

      def minor? = Consents.minor?(athlete, today)

      # @return [Boolean]
      def given? = !standing.nil?

      # @return [Array<String>] of the version that was agreed to, or that is asked for
      def sentences = Consents::WORDS.fetch(standing&.version || Consents::VERSION)

      # @return [String] whether it was agreed to, by whom and when
      def state
        return "#{agreed(standing)}." if given?

        [
          *taken_back,
          "#{missing}.",
          ("Until #{Words.date(athlete.consent_due_on)} all goes on as before." if grace?),
          ("Nothing about #{@themselves ? "your" : "their"} health is kept until then." unless grace?)
        ].compact.join(" ")
      end

      # @return [Array<Link>] that open something still
      def links
        Records::ConsentLink.good(@now).where(athlete_id: athlete.id).order(:id).map do |one|
          Link.new(id: one.id, words: "made on #{day(one.made_at)}, opens until #{day(one.ends_at)}")
        end
      end

      private

      def today = @now.to_date

      def missing
        return Consents.missing_words(athlete, today) unless @themselves

        "#{minor? ? "Your guardian has" : "You have"} not agreed yet to what is kept"
      end

      def standing = @standing ||= athlete.consents.select { |one| one.holds?(athlete, today) }.max_by(&:id)

      def grace? = athlete.consent_due_on&.>=(today)

      def agreed(one)
        who = one.guardian.empty? ? athlete.name : "#{one.guardian}, for #{athlete.name},"
        wrote = one.written_by.empty? ? "" : "; #{one.written_by} wrote it down"
        "#{who} agreed on #{day(one.given_at)}#{wrote}"
      end

      def taken_back
        last = athlete.consents.max_by(&:id)
        ["It was taken back on #{day(last.ended_at)}."] if last&.ended_at
      end

      def day(moment) = Words.date(moment.getlocal.to_date)
    end
  end
end
