# frozen_string_literal: true

module Windlass
  module Actions
    # Whoever is experienced begins on a higher rung than the lowest; why is kept. Only before anything of it was run.
    module StartHigher
      # @param rung [Integer]
      # @param because [String]
      # @raise [Error] where there is no such rung for this athlete, or it has begun
      def self.call(prescription, rung:, because:, now:)
        unless Queries::StillOpen.untouched?(prescription)
          raise Error, "#{prescription.name} has been run already: verdicts move it now."
        end

        ladder = prescription.to_standing(on: now.to_date)&.ladder or
          raise Error,
            "#{prescription.name} is not offered to this athlete any more: a measure is missing, or a limit changed."
        unless rung.between?(0, ladder.top)
          raise Error, "Rung #{rung + 1} is not offered to this athlete; allowed: 1 to #{ladder.rungs.size}."
        end

        prescription.update!(dose: ladder.rungs[rung], reduced: false, started_because: because)
      end
    end
  end
end
