# frozen_string_literal: true

module Windlass
  module Protocols
    # What every protocol family answers. A dose is a frozen Hash of numbers, keyed by the levers' and the family's keys.
    class Protocol
      # @return [String] stable name, as in files and addresses
      def id = raise(NotImplementedError)

      # @return [Array<Lever>] in the order in which the ladder moves them
      def levers = raise(NotImplementedError)

      # @param measures [Measures::Values]
      # @return [Hash, nil] the starting dose; nil where a measure that it needs is missing
      def start(measures) = raise(NotImplementedError)

      # @param dose [Hash]
      # @return [Timeline::Compiled] one set
      def compile(dose) = raise(NotImplementedError)

      # Clean sessions in a row that a step needs.
      def clean_sessions = 2

      # @return [Symbol, nil] column of the screening table; nil is open to everybody
      def column = raise(NotImplementedError)

      # The key of the dose that says how long a hold is; nil where nothing is held.
      def hold_key = :hold_s

      # Suspensions bind these, and only these.
      def holds? = !hold_key.nil?

      # No ladder starts from a hold shorter than this.
      def shortest_hold_s = 5

      # What an ease at the lowest rung halves.
      def halved_key = :rounds

      def over_breathing? = false

      # Sets that together make one session, on one day.
      def sets(dose) = dose.fetch(:sets, 1)

      # @return [Numeric] seconds of a whole session of this dose
      def seconds(dose) = Rational(compile(dose).total_ms, 1000) * sets(dose)

      # @return [Numeric] seconds held in a whole session of this dose
      def hold_seconds(dose) = Rational(compile(dose).hold_ms, 1000) * sets(dose)

      # @return [Integer] holds in a whole session of this dose
      def rounds(dose) = compile(dose).holds.size * sets(dose)
    end
  end
end
