# frozen_string_literal: true

module Windlass
  module Protocols
    # One thing that a ladder moves, by one step at a time.
    Lever =
      Value.define(
        :key, :words, :step, :harder, :limit, :unit, :opens, :limit_words, :read, :write, :moves, :names, :wider
      ) do
        # @param key [Symbol] key of the dose, and of a coach's limit
        # @param step [Numeric] signed: toward harder
        # @param harder [Symbol] :up where more is harder, :down where less is
        # @param limit [Numeric, #call] Measures::Values -> the last value a ladder may reach
        # @param unit [Symbol, nil] of {UNITS}
        # @param limit_words [String, nil] what the limit is, where the measures say it
        # @param opens [Hash{Symbol => Numeric}] switches of the coach's, and the limit that each opens
        # @param read [#call] dose -> number; where several numbers of the dose move as one
        # @param write [#call] dose, number -> dose
        # @param names [Array<String>, nil] what each number from 0 on is called
        # @param wider [#call] dose -> a limit in place of the usual one, where the rest of that dose makes room for it;
        #   or nil
        # @param moves [#call] dose -> whether it changes anything of that dose
        def initialize(
          key:,
          words:,
          step:,
          limit:,
          harder: :up,
          unit: nil,
          opens: {},
          limit_words: nil,
          read: ->(dose) { dose[key] },
          write: ->(dose, value) { dose.merge(key => value) },
          moves: ->(_dose) { true },
          names: nil,
          wider: nil
        )
          super
        end

        def moves?(dose) = moves.call(dose)

        # A lever is one number, even where it moves several.
        def numbers = nil

        # @return [Numeric] where it stands in a dose
        def value(dose) = read.call(dose)

        # @return [Hash] the dose with it somewhere else; steps of 0.1 stay steps of 0.1
        def at(dose, value) = write.call(dose, Numbers.plain(value.to_r.round(6))).freeze

        def stepped(dose) = at(dose, after(dose))

        # @return [Rational] exact: 0.8 and 0.1 make 0.9
        def after(dose) = value(dose).rationalize(FINEST) + step.rationalize(FINEST)

        def harder?(value, than) = (harder == :up) ? value > than : value < than

        # A coach's limit may be tighter than the trade's, never looser; only a switch opens more.
        # @param limits [Hash] the coach's, by lever key, and switches
        # @param dose [Hash, nil] in which it stands, where that is known
        def limit_for(measures, limits = {}, dose: nil)
          own =
            opens.select { |switch, _| limits[switch] }.values.last || (dose && wider&.call(dose)) ||
            (limit.respond_to?(:call) ? limit.call(measures) : limit)
          coach = limits[key]
          return own if coach.nil? || own.nil?

          (harder == :up) ? [own, coach].min : [own, coach].max
        end
      end
  end
end
