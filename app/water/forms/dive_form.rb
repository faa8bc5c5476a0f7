# frozen_string_literal: true

module Windlass
  module Forms
    # A dive as the surface clock sends it; sent again it is corrected.
    class DiveForm < Form
      SIGNS = ["", "well", "shaking", "blackout"].freeze
      # What was logged without a network is sent within so many days.
      DAYS_BACK = 366

      class Rules < Contract
        option :now

        params do
          required(:uuid).filled(:string, :uuid_v4?)
          required(:athlete_id).filled(:integer)
          required(:down_ms).filled(:integer)
          required(:seconds).filled(Types::Seconds)
          optional(:depth_m).maybe(Types::Number)
          optional(:hard).maybe(:bool)
          optional(:signs).maybe(:string, included_in?: SIGNS)
          optional(:buddy).maybe(Types::Text)
          optional(:weight_kg).maybe(Types::Number)
          optional(:line).maybe(:bool)
          optional(:note).maybe(Types::Text)
        end

        rule(:seconds).validate(within: Water::SECONDS)
        rule(:depth_m).validate(within: Water::DEPTH_M)
        rule(:weight_kg).validate(within: 0..40)
        rule(:buddy).validate(at_most_characters: 80)
        rule(:note).validate(at_most_characters: 1000)
        rule(:down_ms) do
          unless Time.at(value / 1000.0).between?(now - DAYS_BACK * 86_400, now + 60)
            key.failure("lies ahead, or more than a year back")
          end
        end
      end
      RULES = Rules

      # @return [Hash] of a dive
      def columns
        down = Time.at(values[:down_ms]/1000r)
        {
          down_at: down,
          local_date: down.to_date,
          hard: values[:hard] == true,
          line: values[:line] == true,
          signs: values[:signs].to_s,
          buddy: values[:buddy].to_s,
          note: values[:note].to_s
        }.merge(values.slice(:seconds, :depth_m, :weight_kg))
      end
    end
  end
end
