# frozen_string_literal: true

module Windlass
  module Presenters
    # The trace, newest first: who did what to whom, when, from which device.
    class TracePage
      PAGE = 100

      attr_reader :form

      # @param form [Forms::TraceForm] what is looked for
      def initialize(house, form)
        @house = house
        @form = form
      end

      # @return [Array<TraceRow>]
      def rows = @rows ||= TraceRow.of(entries)

      # @return [String, nil] address of the next page
      def further = (form.query(before: rows.last.id) if rows.size == PAGE)

      # @return [Boolean] not the first page
      def later? = !form.before.nil?

      # @return [Array<Array(String, String)>] whose deeds can be looked for
      def people = Records::Person.where(account_id: @house.id).order(:name, :id).pluck(:name, :uuid)

      # @return [String] what is looked for, in one line: `Filter: Maren, "verdict", from 2026-03-01`
      def filtered
        name = people.to_h(&:reverse)[form.who]
        said = [name, form.what&.then { |what| "“#{what}”" }, form.athlete&.then { |number| "athlete #{number}" },
          form.from&.then { |day| "from #{day}" }, form.to&.then { |day| "to #{day}" }].compact
        ["Filter", *said.join(", ").presence].join(": ")
      end

      private

      def entries
        found = form.found.order(id: :desc).limit(PAGE)
        (form.before ? found.where(id: ...form.before) : found).to_a
      end
    end
  end
end
