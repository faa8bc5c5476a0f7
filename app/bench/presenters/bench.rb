# frozen_string_literal: true

module Windlass
  module Presenters
    # What the bench shows: each recipe's figures, the chart that lays one over the other, and the map.
    class Bench
      NAMES = %w[A B].freeze
      # As long as a hold is followed on the bench, whatever is asked. Seconds.
      MOST_S = 420

      # A recipe with what the model says of it: its own hold, and the trace of the same hold followed on. danger_s are
      # the seconds from the hold's start between which consciousness is lost, nil where they are not reached.
      Tried = Value.define(:name, :recipe, :hold, :cap_s, :timeline, :trace, :threshold, :danger_s)

      # @param form [Forms::BenchForm] valid
      # @param model [Physiology::Model]
      def initialize(form, model)
        @form = form
        @model = model
      end

      # What was tried lately: who opens the bench begins with the same, and who moves one slider moves it back.
      TRIED, COLUMNS = BoundedCache.new(40), BoundedCache.new(40)

      # @return [Array<Tried>]
      def tried
        @tried ||=
          @form.recipes.zip(NAMES).map { |recipe, name| TRIED.fetch([*whose, recipe, name]) { try(recipe, name) } }
      end

      def chart = @chart ||= BenchChart.new(tried, @model, floor: @form.floor)

      def map =
        @map ||=
          MarginMapChart.new(
            COLUMNS.fetch([*whose, @form.recipes.first]) { Physiology::MarginMap.columns(@model, @form.recipes.first) },
            @form.recipes.first
          )

      # @return [Array<Array(String, Array<String>)>] what, and one figure a recipe
      def rows
        BenchFigures::ALL.map { |words, figure| [words, tried.map { |one| figure.call(one) }] }
      end

      # One sentence a recipe.
      def verdicts = tried.map { |one| [one.name, sentence(one.hold)] }

      private

      # @return [Array] all that an answer depends on besides what was tried
      def whose = [@model.body, @model.calibration, @form.floor]

      def try(recipe, name)
        hold = @model.forecast(recipe.compile.segments).holds.last
        timeline = recipe.compile(hold_s: MOST_S)
        trace = @model.forecast(timeline.segments, trace: true).trace
        Tried.new(
          name: name,
          recipe: recipe,
          hold: hold,
          cap_s: cap(recipe, hold),
          timeline: timeline,
          trace: trace,
          threshold: @model.calibration.threshold,
          danger_s: danger(trace, hold.start_s)
        )
      end

      # From the upper pressure to the lower one.
      def danger(trace, start_s)
        moments =
          [Physiology::DANGER_MMHG.end, Physiology::DANGER_MMHG.begin].map do |mmhg|
            trace.oxygen_down_to(mmhg, from_s: start_s)
          end
        moments.map { |t| t - start_s } if moments.all?
      end

      # An empty hold after over-breathing has a cap.
      def cap(recipe, hold)
        return unless hold.over_breathed? && %i[passive residual].include?(recipe.lungs)

        Physiology::Cap.seconds(@model.body, recipe.compile.segments[0..-2])
      end

      def sentence(hold)
        case hold.margin
        when :clear
          "The urge comes #{Words.length(hold.margin_s)} before the oxygen is low: it warns in time."
        when :tight
          "The urge comes only #{Words.length(hold.margin_s)} before the oxygen is low."
        when :inverted
          "The oxygen is low #{Words.length(hold.margin_s.abs)} before the urge comes: nothing warns."
        else
          "Without a control pause the urge is not known."
        end
      end
    end
  end
end
