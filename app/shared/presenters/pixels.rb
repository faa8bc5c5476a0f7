# frozen_string_literal: true

module Windlass
  module Presenters
    # An hour of breaths has more points than a row has pixels. Of those in one pixel the first, the lowest, the highest
    # and the last draw the same line as all of them (the M4 aggregation, PVLDB 2014; from memory).
    module Pixels
      # @param places [Array<Array(Numeric, Numeric)>] in order of x
      # @return [Array<Array(Numeric, Numeric)>] four a pixel at most
      def self.shown(places)
        places
          .slice_when { |one, other| one[0].floor != other[0].floor }
          .flat_map do |pixel|
            lowest, highest = pixel.each_index.minmax_by { |index| pixel[index][1] }
            pixel.values_at(*[0, lowest, highest, pixel.size - 1].uniq.sort)
          end
      end
    end
  end
end
