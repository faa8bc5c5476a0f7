# frozen_string_literal: true

module Windlass
  module Screening
    # What age leaves open. Common practice, cautiously set; no source.
    module Ages
      ADULT = 18
      SMALL_HOLDS_FROM = 12
      # From this age on, these columns too.
      FROM = {
        0 => %i[voice],
        SMALL_HOLDS_FROM => %i[small breath],
        16 => %i[tables],
        ADULT => MATRIX.columns.keys
      }.freeze

      # @return [Refusal, nil] lifted by a birthday alone
      def self.refusal(age, column)
        least = FROM.find { |_, columns| columns.include?(column) }.first
        Refusal.new(state: :blocked, text: "Not at #{age} years.", lifts: "From #{least} years on.") if age < least
      end

      # @return [Boolean] it is open to some who are under age
      def self.minors?(column) = FROM.any? { |least, columns| least < ADULT && columns.include?(column) }

      # @return [Refusal]
      def self.too_young(least) =
        Refusal.new(state: :blocked, text: "Not under #{least} years.", lifts: "From #{least} years on.")

      # @param planned_s [Numeric, nil] the longest hold that is planned
      # @return [Refusal, nil] a hold over half of the best, under age
      def self.too_long(age, planned_s, maximal_hold_s)
        longest_s = longest_hold_s(age, maximal_hold_s)
        return unless longest_s && planned_s && planned_s > longest_s

        Refusal.new(
          state: :blocked,
          text:
            "Under #{ADULT} no hold is longer than half of the maximal one: #{Words.seconds(planned_s)} is over " \
            "#{Words.seconds(longest_s)}.",
          lifts: "At a lower rung, or from #{ADULT} years on."
        )
      end

      # At 16 and 17 every hold is at most half of the maximal one.
      # @return [Numeric, nil] seconds; nil: age sets no limit
      def self.longest_hold_s(age, maximal_hold_s) = (maximal_hold_s/2r if age < ADULT && maximal_hold_s)
    end
  end
end
