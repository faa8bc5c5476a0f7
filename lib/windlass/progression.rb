# frozen_string_literal: true

module Windlass
  # What comes of a session, and what may come next.
  module Progression
    MAXIMAL_TEST =
      Activity.new(
        id: "maximal-test",
        name: "A maximal hold",
        column: :tables,
        strenuous: true,
        watched: true,
        least_age: Screening::Ages::ADULT,
        least_control_pause_s: 10
      )

    # Strongest first.
    VERDICTS = %i[stop rest ease repeat advance].freeze

    EMPTY_TEST = Activity.new(id: "empty-test", name: "An empty hold", column: :retention)

    # With these reasons alone there is nothing to think about.
    PLAIN_RULES = %w[repeat.count repeat.ramp advance.clean].freeze

    # What a coach may decide in place of a verdict.
    OVERRULABLE = (VERDICTS - %i[stop]).freeze

    RIBS = %i[wide dropped].freeze

    WATER = Activity.new(id: "water", name: "Water", column: :water, watched: true)

    # Of a whole session: the ribs stayed wide.
    RIBS_STAYED = %i[always mostly no].freeze

    COLD =
      Activity.new(
        id: "cold",
        name: "Cold",
        column: :cold,
        holds: false,
        watched: true,
        least_age: Screening::Ages::ADULT
      )

    STREAMS = %i[even flickering].freeze

    ACTIVITIES = [MAXIMAL_TEST, EMPTY_TEST, WATER, COLD].to_h { |one| [one.id, one] }.freeze

    # @param id [String] of a protocol or of an activity besides
    # @return [Protocols::Protocol, Activity]
    # @raise [Unknown]
    def self.activity(id) = ACTIVITIES[id] || Protocols.find(id)
  end
end
