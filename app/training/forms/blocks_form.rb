# frozen_string_literal: true

module Windlass
  module Forms
    # A session of blocks: each a dose of its own, in the order in which they stand in the page; how often it comes, and
    # what lies between it and the next one. Blocks are added, copied, moved and taken out by what the buttons say.
    class BlocksForm < Form
      include Composed

      # What lies between two blocks.
      AFTER = {"" => "straight on", "time" => "after a time", "wait" => "when the coach says so"}.freeze
      TIMES = Protocols::Parameter.new(key: :repeats, words: "times", unit: :number, range: Protocols::Blocks::REPEATS)
      GAP = Protocols::Parameter.new(key: :after_s, words: "seconds", unit: :s, range: Protocols::Blocks::GAP_S)

      SERIES = (1..Protocols::Blocks::MOST)

      # One block as it stands in the page. key: of its fields.
      Part =
        Value.define(:key, :form, :typed) do
          def protocol = form.protocol

          def name_of(field) = "blocks[#{key}][#{field}]"

          def times = typed.fetch("repeats", "1").to_s

          def after = AFTER.key?(typed["after"]) ? typed["after"] : ""

          def after_s = typed.fetch("after_s", "").to_s

          # @return [Integer, nil] which series it is of
          def series = SERIES.find { |number| number.to_s == typed["series"].to_s }

          # @return [Hash] as a dose has it
          def block
            repeats = TypedNumbers.read(times, TIMES)
            gap = {"time" => TypedNumbers.read(after_s, GAP), "wait" => Protocols::Blocks::WAIT}[after]
            {
              protocol: protocol.id,
              dose: form.dose,
              **((repeats == 1) ? {} : {repeats: repeats}),
              **(series ? {series: series} : {}),
              **(gap ? {after: gap} : {})
            }
          end

          # @return [Hash{String => String}] by field
          def errors = form.errors.merge(besides)

          private

          def besides
            repeats, gap = TypedNumbers.read(times, TIMES), TypedNumbers.read(after_s, GAP)
            {"repeats" => TIMES.fault(repeats), "after_s" => (GAP.fault(gap) if after == "time")}.compact
              .transform_keys { |field| name_of(field) }
          end
        end

      attr_reader :protocol, :parts

      # @return [Hash] as it is typed
      def self.shown(dose, protocol)
        {
          "blocks" =>
            protocol
              .bound(dose)
              .blocks
              .to_h { |one| [one.number.to_s, block(one.protocol, one.dose, one.repeats, one.after, one.series)] }
        }
      end

      # @return [Hash] one block as it is typed
      def self.block(family, dose, repeats = 1, after = nil, series = nil)
        kind = {nil => "", Protocols::Blocks::WAIT => "wait"}.fetch(after, "time")
        DoseForm.shown(dose, family).merge(
          "protocol" => family.id,
          "repeats" => repeats.to_s,
          "after" => kind,
          "series" => series.to_s,
          "after_s" => (kind == "time") ? TypedNumbers.show(after, GAP) : ""
        )
      end

      # @param params [Hash] blocks: {key => {protocol, dose, breaks, said, repeats, after, after_s}}, name, note
      # @param change [#call, nil] what a button wants of the blocks: typed blocks -> typed blocks
      def initialize(params, protocol, change: nil)
        given = readable(hash(params["blocks"]).select { |_, one| one.is_a?(Hash) && family?(one["protocol"]) })
        @typed = readable(params.to_h.slice("name", "note")).merge("blocks" => change ? change.call(given) : given)
        @parts = @typed["blocks"].first(Protocols::Blocks::MOST + 1).map { |key, one| part(key, one) }
        dose = Protocols.dose({blocks: @parts.map(&:block)})
        @protocol = protocol.bound(dose)
        @values = {dose: dose, **naming}
        @errors = @parts.map(&:errors).reduce({}, :merge).merge(count_errors)
        @errors = {"blocks" => protocol.too_long(dose)}.compact if @errors.empty?
      end

      # @return [Boolean] nothing was composed yet
      def empty? = parts.empty?

      private

      def part(key, one) =
        Part.new(
          key: key,
          typed: one,
          form: DoseForm.new(one, Protocols.family(one["protocol"]), within: "blocks[#{key}]")
        )

      def family?(id) = Protocols::ALL.any? { |one| one.id == id }

      def count_errors
        return {"blocks" => "Add a block first."} if empty?

        if parts.size > Protocols::Blocks::MOST
          {"blocks" => "#{parts.size} blocks are too many; allowed: #{Protocols::Blocks::MOST}"}
        else
          {}
        end
      end
    end
  end
end
