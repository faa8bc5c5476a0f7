# frozen_string_literal: true

module Windlass
  module Presenters
    # A file that is read in behind the page.
    class ImportPage
      MOVING = %w[waiting working shown stopping].freeze
      # As a coach says them.
      STATES = {
        "asks" => "It is read, and waits to be kept.",
        "waiting" => "It waits for its turn.",
        "stopping" => "It is being stopped.",
        "shown" => "All of it is kept; what follows from it is reckoned."
      }.freeze

      # @param import [Records::Import]
      def initialize(import)
        @import = import
      end

      def uuid = @import.uuid

      def title = "#{Imports::KINDS.fetch(@import.kind).title}#{" is read in" if moves?}"

      # @return [Boolean] something happens without anybody pressing anything
      def moves? = MOVING.include?(@import.state)

      def stops? = %w[waiting working].include?(@import.state)

      def asks? = @import.state == "asks"

      # @return [String] how it stands
      def words =
        @import.result["words"] ||
          [STATES[@import.state], far].compact.join(" ").then { |said| said.empty? ? "It is being read." : said }

      def failed? = %w[refused failed].include?(@import.state)

      # @return [Array<String>] a line each
      def lines = words.lines(chomp: true)

      # @return [String, nil] where it leads that is done
      def path = (@import.result["path"] if @import.state == "done")

      def done = @import.done

      # @return [Integer] at least one: a bar of nothing moves nowhere
      def total = [@import.total, 1].max

      # @return [TablePreview, nil] what is asked
      def preview = (TablePreview.from_h(@import.result.fetch("preview")) if asks?)

      # @return [String] that order which was chosen, where days can be read in two ways
      def order = @import.about["order"].to_s

      private

      def far =
        if @import.total > 0 && %w[working shown].include?(@import.state)
          "#{@import.doing}: #{@import.done} of #{@import.total}"
        end
    end
  end
end
