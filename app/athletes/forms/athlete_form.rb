# frozen_string_literal: true

module Windlass
  module Forms
    class AthleteForm < Form
      DISCIPLINES = %w[
        freediving
        spearfishing
        surfing
        rescue
        singing
        wind\ instrument
        swimming
        rowing
        combat\ sport
        everyday\ breathing
      ].freeze
      HEIGHT_CM = (90..230)
      MASS_KG = (15..250)
      VITAL_CAPACITY_L = (1..10)
      RESTING_PULSE = (25..150)
      AGE = (5..100)

      class Rules < Contract
        option :today

        params do
          required(:name).filled(Types::Text)
          required(:born_on).filled(:date)
          required(:sex).filled(:string, included_in?: %w[female male])
          required(:height_cm).filled(Types::Number)
          required(:mass_kg).filled(Types::Number)
          optional(:vital_capacity_l).maybe(Types::Number)
          optional(:resting_pulse).maybe(:integer)
          optional(:disciplines).array(:string, included_in?: DISCIPLINES)
          required(:control_pause_use).filled(:string, included_in?: Measures::CONTROL_PAUSE_USES.keys.map(&:to_s))
          required(:nervous).filled(:bool)
          required(:sleep_signs).filled(:bool)
          optional(:busy_signs).filled(:bool)
          optional(:control_pause_again_on).maybe(:date)
          optional(:locks).filled(:bool)
          optional(:notes).maybe(:string)
          optional(:uuid).filled(:string, :uuid_v4?)
          optional(:lock_version).filled(:integer)
        end

        rule(:name).validate(at_most_characters: 80)
        rule(:notes).validate(at_most_characters: 4000)
        rule(:height_cm).validate(within: HEIGHT_CM)
        rule(:mass_kg).validate(within: MASS_KG)
        rule(:vital_capacity_l).validate(within: VITAL_CAPACITY_L)
        rule(:resting_pulse).validate(within: RESTING_PULSE)
        rule(:control_pause_again_on) do
          value && outside(value, today..(today + 366))&.then { |fault| key.failure(fault) }
        end
        rule(:born_on) do
          born = (today << (AGE.end * 12))..(today << (AGE.begin * 12))
          outside(value, born)&.then { |fault| key.failure(fault) }
        end
        rule(:vital_capacity_l, :height_cm, :sex, :born_on) do
          next if rule_error? || schema_error?(:mass_kg) || values[:vital_capacity_l].nil?

          %i[seated lying].each do |posture|
            Physiology::Body.new(
              sex: values[:sex],
              age: today.year - values[:born_on].year,
              height_cm: values[:height_cm],
              mass_kg: 70,
              vital_capacity_l: values[:vital_capacity_l],
              posture: posture
            )
          end
        rescue InvalidValue => error
          key(:vital_capacity_l).failure(error.message)
        end
      end
      RULES = Rules

      # @return [AthleteForm] filled from a record
      def self.from(athlete)
        blank(
          athlete
            .attributes
            .slice(
              "name", "sex", "vital_capacity_l", "resting_pulse", "disciplines", "nervous", "sleep_signs", "busy_signs",
              "locks", "control_pause_use", "notes"
            )
            .merge(
              "lock_version" => athlete.lock_version.to_s,
              "born_on" => athlete.born_on.to_s,
              "control_pause_again_on" => athlete.control_pause_again_on.to_s,
              "height_cm" => Words.exact(athlete.height_cm),
              "mass_kg" => Words.exact(athlete.mass_kg)
            )
        )
      end

      # @return [Hash] columns of the record
      def columns =
        {vital_capacity_l: nil, resting_pulse: nil, disciplines: [], locks: false, busy_signs: false}.merge(
          values.except(:uuid, :lock_version)
        ).merge(notes: values[:notes].to_s)
    end
  end
end
