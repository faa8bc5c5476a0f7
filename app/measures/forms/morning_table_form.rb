# frozen_string_literal: true

module Windlass
  module Forms
    # Morning scores of several: a day and how they ended for all of them, and a row for each. A row may say otherwise;
    # one without seconds is left out. Each row is read as a score of its own.
    class MorningTableForm
      HOW = %w[ended_by first_breath].freeze

      # What stands for all before anything is said.
      USUAL = {"ended_by" => "wish", "first_breath" => "calm"}.freeze

      attr_reader :typed

      # @param params [Hash, nil] as they came; nil: nothing was sent yet
      # @param ids [Array<Integer>] whom it is about
      # @param today [Date]
      def initialize(params, ids:, today:)
        @typed = USUAL.merge("taken_on" => today.iso8601).merge(params.to_h)
        @sent = !params.nil?
        @ids = ids
        @today = today
      end

      # @return [Hash{Integer => ControlPauseForm}] by athlete, of the rows with seconds
      def rows
        @rows ||= @ids.filter_map { |id| [id, read(row(id))] unless text(row(id), "seconds").strip.empty? }.to_h
      end

      def valid? = rows.any? && errors.empty?

      # @return [Hash{String => String}] by the name of the field
      def errors
        return {} unless @sent

        @errors ||= rows.any? ? faults : {"scores" => "No seconds are typed in any row"}
      end

      def fault(name) = errors[name.to_s]

      # @return [String] what was typed in a field of a row
      def typed_in(id, field) = text(row(id), field)

      # @return [String] by which a double click is one
      def uuid_of(id) = typed_in(id, "uuid").presence || SecureRandom.uuid

      # @return [Object, nil] what was typed into it
      def typed_at(name) = typed[name.to_s]

      def text_at(name) = text(typed, name)

      private

      def row(id) = inner(inner(typed, "scores"), id.to_s)

      def inner(hash, key) = hash[key].then { |one| one.is_a?(Hash) ? one : {} }

      def text(hash, key) = hash[key.to_s].then { |value| value.is_a?(String) ? value : "" }

      def read(row)
        how = HOW.to_h { |field| [field, text(row, field).presence || typed[field]] }
        ControlPauseForm.parse(
          {**row.slice("uuid", "seconds"), **how, "on_waking" => "true", "taken_on" => typed["taken_on"], "note" => ""},
          today: @today
        )
      end

      # What is said for all is wrong once, not in each row.
      def faults
        rows.flat_map { |id, form|
          form.errors.map { |field, fault| [at(id, field), fault] }
        }.to_h
      end

      def at(id, field)
        of_all = field == "taken_on" || (HOW.include?(field) && typed_in(id, field).empty?)
        of_all ? field : "scores[#{id}][#{field}]"
      end
    end
  end
end
