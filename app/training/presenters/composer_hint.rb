# frozen_string_literal: true

module Windlass
  module Presenters
    # What stands under a number of the composer: what is allowed, in which steps, how far it may be prescribed.
    class ComposerHint
      # @param form [Forms::DoseForm]
      # @param athlete [Records::Athlete, nil]
      # @param measures [Measures::Values]
      def initialize(form, athlete, measures)
        @form = form
        @athlete = athlete
        @measures = measures
      end

      # A count is a second, a beat or a heartbeat; the last two are typed as so many a minute.
      # @return [String, nil] nil where one chooses
      def of(parameter)
        return if parameter.options

        steps = "in steps of #{Words.number(parameter.step)}" if parameter.step && !parameter.numbers
        pulse = @athlete&.resting_pulse
        beats = pulse ? "or the heartbeat: #{pulse}/min at rest" : "or beats: 72/min"
        [parameter.allowed, steps, (beats if parameter.unit == :count_s), prescribable(parameter)].compact.join(", ")
      end

      # @return [String, nil] what is true where nothing is chosen: `as the stage says: throat lock`
      def unset(parameter) =
        [parameter.unset, (@form.protocol.unset_words(parameter, @form.dose) if @form.valid?)].compact
          .join(": ")
          .then { |words| words unless words.empty? }

      private

      # How far it may be prescribed to this athlete, beside how far it may be composed.
      # @return [String, nil]
      def prescribable(parameter)
        protocol = @form.protocol
        lever = protocol.levers.find { |one| one.key == parameter.key }
        return if @athlete.nil? || lever.nil? || protocol.lacking(@measures) || parameter.numbers

        limit = lever.limit_for(@measures, @athlete.switches, dose: @form.dose)
        return if limit.nil?

        "prescribed #{(lever.harder == :up) ? "up to" : "down to"} " \
        "#{Forms::TypedNumbers.show(limit, parameter)}#{" (#{lever.limit_words})" if lever.limit_words}"
      end
    end
  end
end
