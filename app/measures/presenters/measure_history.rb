# frozen_string_literal: true

module Windlass
  module Presenters
    # Every measure of one kind that an athlete ever took, a page at a time.
    class MeasureHistory
      PAGE = 50
      ORDERS = {
        "newest" => "newest first",
        "oldest" => "oldest first",
        "highest" => "highest first",
        "lowest" => "lowest first"
      }.freeze
      SORTED = {
        "newest" => {
          taken_at: :desc,
          id: :desc
        },
        "oldest" => {
          taken_at: :asc,
          id: :asc
        },
        "highest" => {
          value: :desc,
          id: :desc
        },
        "lowest" => {
          value: :asc,
          id: :asc
        }
      }.freeze

      Row = Value.define(:day, :value, :path, :about, :note)

      attr_reader :athlete, :kind_id, :order, :number

      # @param athlete [Records::Athlete]
      # @param kind_id [String] `control_pause`, or of a {Measures::Kind}
      # @param order [String] one of {ORDERS}; anything else: newest first
      # @param number [Integer] of the page, from 1
      def initialize(athlete, kind_id, order: "newest", number: 1)
        @athlete = athlete
        @kind_id = kind_id
        @order = ORDERS.key?(order) ? order : "newest"
        @number = number.clamp(1, [pages, 1].max)
      end

      def name = control_pause? ? "Control pause" : kind.name

      def title = "#{name}, #{athlete.name}"

      def count = @count ||= all.count

      def pages = (count / PAGE.to_f).ceil

      # @return [Array<Row>]
      def rows = all.order(SORTED.fetch(order)).offset((number - 1) * PAGE).limit(PAGE).map { |measure| row(measure) }

      # @return [String] where the page of that number stands
      def path(number) =
        "/athletes/#{athlete.id}/measures/#{kind_id}?#{URI.encode_www_form(order: order, page: number)}"

      private

      def all = athlete.measures.where(kind: kind_id)

      def control_pause? = kind_id == "control_pause"

      def kind = Measures.kind(kind_id)

      def row(measure)
        at = measure.taken_at.getlocal
        Row.new(
          day: "#{Dates.short(at.to_date)} #{at.year}",
          note: measure.note,
          value: control_pause? ? Words.seconds(measure.value) : kind.value_words(measure.value),
          path: "/#{control_pause? ? "control-pauses" : "measures"}/#{measure.uuid}",
          about: control_pause? ? about(measure.to_control_pause) : ""
        )
      end

      def about(pause)
        [
          pause.on_waking ? "on waking" : pause.taken_at.strftime("%H:%M"),
          Measures::ENDINGS.fetch(pause.ended_by).words,
          "first breath #{Measures::FIRST_BREATHS.fetch(pause.first_breath)}"
        ].join(", ")
      end
    end
  end
end
