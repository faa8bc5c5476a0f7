# frozen_string_literal: true

module Windlass
  # Weeks ahead for one athlete: which protocol on which day, and why there.
  module Programme
    # A time of the week at which there is room to train. day: 1 Monday to 7 Sunday; at_min: minutes of the day; place:
    # one of {Protocols::PLACES}, or any other name, where everything dry may be done.
    Slot =
      Value.define(:day, :at_min, :minutes, place: nil) do
        # @return [String] `07:00`
        def at = format("%02d:%02d", *at_min.divmod(60))

        # @param protocol [#places]
        def takes?(places) = place.nil? || !Protocols::PLACES.key?(place.to_sym) || places.include?(place.to_sym)
      end

    # What is prescribed, so many times a week. standing: nil where nothing is offered, and then refusal says why.
    # activity: what readiness is asked about. clean: sessions that verdicts have counted towards the next step already.
    Training =
      Value.define(:key, :protocol, :standing, :times, :refusal, :activity, :clean) do
        def initialize(
          key:,
          protocol:,
          standing:,
          times:,
          refusal: nil,
          clean: 0,
          activity: protocol.is_a?(Progression::Activity) ? protocol : protocol.bound(standing&.dose)
        )
          super
        end

        def places = protocol.is_a?(Progression::Activity) ? TEST_PLACES : protocol.places

        def test? = protocol == Progression::MAXIMAL_TEST

        def name = protocol.name
      end

    # What is eased toward. kind: one of {KINDS}; at_min nil where the hour is not known.
    Event =
      Value.define(:date, :kind, at_min: nil, name: nil) do
        def test? = kind == :test

        def water? = WATER_KINDS.include?(kind)

        # @return [String] `the concert on 10 April 2026`
        def in_words = "the #{name || KINDS.fetch(kind)} on #{Words.date(date)}"
      end

    KINDS = {competition: "competition", swell: "swell", concert: "concert", test: "test"}.freeze
    WATER_KINDS = %i[competition swell].freeze

    # A day in the water; at_min nil where the hour is not known.
    Water = Value.define(:date, at_min: nil)

    # Days on which nobody trains, both included.
    Absence = Value.define(:from, :to) { def covers?(date) = (from..to).cover?(date) }

    # A maximal hold with all that belongs to it.
    TEST_S = 600
    TEST_PLACES = %i[chair mat].freeze

    # Where a session was, or is wanted by a coach: it stays there if it may. rung: that it was planned at; nil where
    # nobody said.
    Wish = Value.define(:key, :date, :at_min, rung: nil)
  end
end
