# frozen_string_literal: true

module Windlass
  module Forms
    # From a day on, and perhaps until one.
    class DaysContract < Contract
      params do
        optional(:from_on).maybe(:date)
        optional(:until_on).maybe(:date)
      end

      rule(:from_on, :until_on) do
        if values[:until_on] && values[:from_on] && values[:until_on] < values[:from_on]
          key(:until_on).failure("ends before it begins")
        end
      end
    end
  end
end
