# frozen_string_literal: true

module Windlass
  module Measures
    # What both holds have in common that are taken to their end.
    module HeldToTheEnd
      def stop(taken) =
        if taken.details[:eventful] == "stop"
          "#{name} on #{Words.date(taken.taken_at.to_date)}: #{AFTERWARDS.fetch("stop")}."
        end

      def went_well?(taken) = [nil, "no"].include?(taken.details[:eventful]) && taken.details[:first_breath] != "gasp"

      private

      def afterwards(taken)
        return "It stops all hold work until a clinician has cleared it." if stop(taken)

        "It did not end well, so no dose is computed from it." unless went_well?(taken)
      end
    end
  end
end
