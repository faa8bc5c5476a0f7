# frozen_string_literal: true

module Windlass
  module Protocols
    # After every hold; once a cycle, a round or a session, after the last hold of it; not at all.
    FIRST_BREATH_ASKED = %i[hold cycle round end never].freeze

    # What is known of a family without a dose.
    Facts =
      Value.define(
        :id, :name, :place, :also, :known_as, :goal, :column, :trains, :cautions, :places, :disciplines, :needs,
        :clean_sessions, :holds, :halves, :shortest_hold_s, :posture, :over_breathing, :strenuous, :once_a_day,
        :days_running, :watched, :opt_in, :by_minutes, :computed, :hold_key, :paced, :first_breath, :judged,
        :ribs_asked, :with_workouts, :counted_aloud
      ) do
        # @param id [String] stable name, as in files and addresses
        # @param place [Integer] in the library
        # @param also [String, nil] a second name that is common property; it stands beside ours
        # @param known_as [String] further words by which people look for it; from memory, common practice
        # @param goal [Symbol] one of {GOALS}
        # @param column [Symbol, nil] of the screening table; nil is open to everybody
        # @param places [Array<Symbol>] of {PLACES}
        # @param disciplines [Array<String>] that use it; of {DISCIPLINES}
        # @param needs [Hash{Symbol => Numeric}] measures and the least that they must be
        # @param clean_sessions [Integer] in a row, that a step needs
        # @param holds [Boolean] something is held: suspensions bind these, and only these
        # @param halves [Symbol] key of the dose that an ease at the lowest rung halves
        # @param shortest_hold_s [Numeric] no ladder starts from a shorter hold
        # @param posture [Symbol] that the gas model reckons with
        # @param strenuous [Boolean] 48 hours apart from other strenuous ones
        # @param once_a_day [Boolean] one such session a day, of all that say so
        # @param days_running [Integer, nil] so many days in a row at most
        # @param watched [Boolean] only with a named watcher
        # @param opt_in [Boolean] only where a discipline of the athlete asks for it
        # @param by_minutes [Boolean] judged on the time done, not on rounds
        # @param computed [Array<Symbol>] keys of the dose that the gas model sets, and no ladder
        # @param hold_key [Symbol, nil] key of the dose that is its longest hold; nil: the segments say it
        # @param first_breath [Symbol] where the first breath after a hold is asked for: one of {FIRST_BREATH_ASKED}
        # @param judged [Symbol] what is judged of it, part by part: :holds, or :sounds where the exhale is the work
        # @param ribs_asked [Boolean] once a session at least it has to be known whether the ribs stayed wide
        # @param with_workouts [Boolean] short sets of it come with every workout: {Protocol#daily?}
        # @param counted_aloud [Array(Symbol, Symbol), nil] what is counted aloud, :beats, :breaths, :seconds or :gears,
        #   and which way, :up or :down
        # @param paced [Boolean] breaths follow a pattern and are as deep as the body needs
        def initialize(
          id:,
          name:,
          goal:,
          column:,
          trains:,
          cautions:,
          places:,
          place: 1000,
          also: nil,
          known_as: "",
          disciplines: DISCIPLINES,
          needs: {},
          clean_sessions: 2,
          holds: true,
          halves: :rounds,
          shortest_hold_s: 0,
          posture: :seated,
          over_breathing: false,
          strenuous: false,
          once_a_day: false,
          days_running: nil,
          watched: false,
          opt_in: false,
          by_minutes: !holds,
          computed: [],
          hold_key: nil,
          paced: false,
          first_breath: :hold,
          judged: :holds,
          ribs_asked: false,
          with_workouts: false,
          counted_aloud: nil
        )
          super
        end
      end
  end
end
