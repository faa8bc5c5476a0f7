# frozen_string_literal: true

module Windlass
  module Forms
    # A body or an athlete, a posture, and one recipe or two to compare.
    class BenchForm < Form
      BODY = {sex: "male", age: "30", height_cm: "178", mass_kg: "75", control_pause_s: "25"}.freeze
      RECIPE = {
        quiet_s: "60", effort: "none", effort_s: "60", breathe_up_s: "0", deep_breaths: "0", lungs: "passive",
        hold_s: "40"
      }.freeze
      # What a page shows that nobody has asked anything yet: what over-breathing does.
      FIRST = {
        posture: "seated",
        floor: "85",
        compare: "true",
        **BODY,
        a: RECIPE,
        b: RECIPE.merge(deep_breaths: "30")
      }.freeze

      RecipeSchema =
        Dry::Schema.Params do
          required(:quiet_s).filled(Types::Number)
          required(:effort).filled(:string, included_in?: Physiology::Effort::METS.keys.map(&:to_s))
          required(:effort_s).filled(Types::Number)
          required(:breathe_up_s).filled(Types::Number)
          required(:deep_breaths).filled(:integer)
          required(:lungs).filled(:string, included_in?: Physiology::Levels::ALL.map(&:to_s))
          required(:hold_s).filled(Types::Number)
        end

      class Rules < Contract
        params do
          optional(:athlete_id).maybe(:integer)
          required(:sex).filled(:string, included_in?: %w[female male])
          required(:age).filled(:integer)
          required(:height_cm).filled(Types::Number)
          required(:mass_kg).filled(Types::Number)
          optional(:control_pause_s).maybe(Types::Number)
          required(:posture).filled(:string, included_in?: %w[seated lying])
          required(:floor).filled(:integer)
          optional(:compare).maybe(:bool)
          required(:a).hash(RecipeSchema)
          required(:b).hash(RecipeSchema)
        end

        rule(:age).validate(within: 18..100)
        rule(:height_cm).validate(within: 120..230)
        rule(:mass_kg).validate(within: 30..250)
        rule(:control_pause_s).validate(within: 3..90)
        rule(:floor).validate(within: 85..92)
        %i[a b].each do |recipe|
          rule(recipe => :quiet_s).validate(within: 0..900)
          rule(recipe => :effort_s).validate(within: 5..900)
          rule(recipe => :breathe_up_s).validate(within: 0..600)
          rule(recipe => :deep_breaths).validate(within: 0..60)
          rule(recipe => :hold_s).validate(within: 1..300)
        end
      end
      RULES = Rules

      # @param params [Hash] what is left out is as at first
      def self.parse(params)
        first =
          FIRST
            .transform_keys(&:to_s)
            .transform_values { |value| value.is_a?(Hash) ? value.transform_keys(&:to_s) : value }
        return super(first) if params.empty?

        typed = first.except("compare").merge(params)
        super(
          typed.merge(%w[a b].to_h { |name| [name, first[name].merge(params[name].is_a?(Hash) ? params[name] : {})] })
        )
      end

      # @return [Array<Physiology::Recipe>] one, or two to compare
      def recipes
        [values[:a], (values[:b] if values[:compare])].compact.map do |recipe|
          Physiology::Recipe.new(**recipe, effort: recipe[:effort].to_sym, lungs: recipe[:lungs].to_sym)
        end
      end

      def posture = values[:posture].to_sym

      def floor = values[:floor] / 100.0

      def body
        Physiology::Body.new(**values.slice(:sex, :age, :height_cm, :mass_kg), posture: posture)
      end
    end
  end
end
