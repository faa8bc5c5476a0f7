# frozen_string_literal: true

require "dry/validation"

module Windlass
  module Forms
    # A number as people type it: a decimal comma is a decimal point.
    module Types
      include Dry.Types()

      Number = Params::Float.prepend { |typed| typed.is_a?(::String) ? typed.strip.tr(",", ".") : typed }
      # Seconds as people type them: `95`, `1:35`, `1:35,5`.
      Seconds =
        Params::Float.prepend do |typed|
          minutes, rest =
            typed.is_a?(::String) ? typed.strip.tr(",", ".").match(/\A(\d{1,3}):([0-5]\d(?:\.\d+)?)\z/)&.captures : nil
          minutes ? minutes.to_i * 60 + rest.to_f : Number[typed]
        rescue ::Dry::Types::CoercionError
          typed
        end
      Text = Params::String.prepend { |typed| typed.is_a?(::String) ? typed.strip : typed }
    end
  end
end
