# frozen_string_literal: true

module Windlass
  module Protocols
    # What is wrong with one block, as it came.
    module BlockFaults
      KEYS = %i[protocol dose repeats after series].freeze

      # @return [Hash{String, nil => String}] by path within the block
      def self.of(given)
        unless given.is_a?(Hash)
          return {nil => "#{Error.shown(given)} is not allowed; allowed: #{KEYS.join(", ")}"}
        end

        family = Protocols::ALL.find { |one| one.id == given[:protocol] }
        if family.nil?
          return (
            {
              "protocol" =>
                "#{Error.shown(given[:protocol])} is not allowed; allowed: #{Protocols::ALL.map(&:id).join(", ")}"
            }
          )
        end

        dose = given[:dose].is_a?(Hash) ? doses(family, given[:dose]) : {"dose" => "is missing"}
        dose.merge(besides(given))
      end

      def self.doses(family, dose)
        breaks = Timeline::Breaks.faults(dose.fetch(:breaks, [])).to_h { |fault| fault.split(/:? /, 2) }
        family
          .faults(dose)
          .merge(
            breaks,
            Timeline::Said.faults(dose.fetch(:said, {})).transform_keys { |part| ["said", part].compact.join(".") }
          )
          .transform_keys { |key| "dose.#{key}" }
      end

      def self.besides(given)
        unknown = (given.keys - KEYS).to_h { |key| [key.to_s, "is not known here"] }
        repeats, after = given.fetch(:repeats, 1), given[:after]
        unless repeats.is_a?(
          Integer
        ) && Blocks::REPEATS.cover?(repeats)
          unknown[
            "repeats"
          ] = "#{Error.shown(repeats)} is not allowed; allowed: 1 to #{Blocks::REPEATS.end} times"
        end
        unless between?(
          after
        )
          unknown[
            "after"
          ] = "#{Error.shown(after)} is not allowed; allowed: nothing, 1 to #{Blocks::GAP_S.end} s, or #{Blocks::WAIT}"
        end
        unless [nil, *1..Blocks::MOST].include?(given[:series])
          unknown["series"] = "#{Error.shown(given[:series])} is not allowed; allowed: nothing, or 1 to #{Blocks::MOST}"
        end
        unknown
      end

      def self.between?(after) =
        after.nil? || after == Blocks::WAIT || (after.is_a?(Numeric) && Blocks::GAP_S.cover?(after))
      private_class_method :doses, :besides, :between?
    end
  end
end
