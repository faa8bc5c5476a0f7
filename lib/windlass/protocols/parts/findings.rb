# frozen_string_literal: true

module Windlass
  module Protocols
    # What is looked for, strongest first. A finding is a line here. Bounds: docs/gas-model.md and progression.md.
    module Findings
      LOOKED_FOR = [
        ->(one) do
          past = one.holds(&:past_floor?)
          [one.key_of(:hold), :danger, "#{numbers(past)} past the oxygen floor#{floor_words(past)}."] if past.any?
        end,
        ->(one) do
          inverted = one.holds { |hold| hold.margin == :inverted }
          if inverted.any?
            [
              one.key_of(:breathing, :hold),
              :danger,
              "#{numbers(inverted)}: margin inverted, the urge would come too late to protect."
            ]
          end
        end,
        ->(one) do
          over = one.holds(&:over_breathed?)
          next if over.empty?

          strongest = over.map { |_, hold| hold.co2_washout }.max
          called =
            if one.protocol.spares?(one.dose)
              "A few full breaths"
            else
              "Over-breathed#{" strongly" if over.any? { |_, hold| hold.strongly_over_breathed? }}"
            end
          [
            one.key_of(:breathing, :rest, :hold),
            :care,
            "#{called}: #{Words.number(strongest)} mmHg of carbon dioxide washed out. No water for 12 hours after it."
          ]
        end,
        ->(one) do
          tight = one.holds { |hold| hold.margin == :tight && hold.near_margin? }
          if tight.any?
            [
              one.key_of(:hold),
              :care,
              "#{numbers(tight)}: margin tight, under #{Words.number(Physiology::CLEAR_MARGIN_S)} s."
            ]
          end
        end,
        ->(one) do
          next unless one.forecast && one.protocol.waits_for_urge?(one.dose)

          late =
            one
              .timeline
              .holds
              .zip(one.forecast.holds)
              .reject { |place, hold| place.segment.until != :cap || hold.urge_within? }
          if late.any?
            [:hold_s, :danger, "The urge would come only after the limit: a full retention needs a planned length."]
          end
        end,
        ->(one) do
          best = one.measures&.maximal_hold_s
          longest = one.protocol.longest_hold_s(one.dose)
          next if best.nil? || !one.protocol.needs.key?(:maximal_hold_s)

          share = (longest * 100r / best).round
          [
            one.key_of(:hold),
            (share > MOST_SHARE) ? :care : :note,
            "#{share} % of the maximal hold#{", more than a table asks for" if share > MOST_SHARE}."
          ]
        end
      ].freeze
      # No ladder goes beyond this share of the maximal hold, percent.
      MOST_SHARE = 80

      # @param composition [Composition]
      # @return [Array<Finding>]
      def self.of(composition)
        (
          LOOKED_FOR.filter_map { |look| look.call(composition) } +
            composition.protocol.warnings(composition.dose, composition.measures)
        ).map { |key, level, text| Finding.new(key: key, level: level, text: text) }
      end

      def self.numbers(holds) = "#{(holds.size == 1) ? "Hold" : "Holds"} #{Words.list(holds.map(&:first))}"

      def self.floor_words(holds)
        floors = holds.map { |_, hold| hold.floor_s.round }.minmax.uniq
        ", reached after #{floors.join(" to ")} s"
      end
    end
  end
end
