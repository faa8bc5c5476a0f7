# frozen_string_literal: true

module Windlass
  module Physiology
    # For whom and where the model speaks. Outside there is no forecast but a plain sentence.
    module ModelRange
      YOUNGEST_YEARS = 18
      # About 1,500 m above the sea, mmHg.
      LOWEST_BAROMETRIC = 634

      # @return [String, nil] why there is no forecast
      def self.objection(age:, barometric_mmhg: 760, pregnant: false, lung_disease: false)
        if age < YOUNGEST_YEARS
          "No forecast under #{YOUNGEST_YEARS} years: the model was fitted to adults."
        elsif pregnant
          "No forecast in pregnancy: the model knows nothing of it."
        elsif lung_disease
          "No forecast with lung disease: the model knows healthy lungs only."
        elsif barometric_mmhg < LOWEST_BAROMETRIC
          "No forecast above about 1,500 m: oxygen runs out much sooner there."
        end
      end
    end
  end
end
