# frozen_string_literal: true

module Windlass
  module Presenters
    # A line of notes that could be read: what it says in words, its rounds drawn over the planned ones.
    class PastEntry
      Round = Value.define(:planned_x, :planned_width, :held_width, :words, :kind)

      WIDTH = 720

      # @param entry [Log::Entry]
      # @param targets [Array<Float>] planned lengths, seconds
      def initialize(entry, targets)
        @entry = entry
        @targets = targets
      end

      # @return [String] what nobody said; empty where nothing is missing
      def missing
        unknown = @entry.rounds.count { |round| !round.skipped && round.first_breath.nil? }
        [
          other_size,
          ("#{Words.count(unknown, "first breath")} unknown" if unknown > 0),
          ("effort not said" if @entry.effort.nil?)
        ].compact.join("; ")
      end

      def about
        [
          Dates.long(@entry.date),
          @entry.at,
          ("effort #{Words.number(@entry.effort)}" if @entry.effort),
          (Progression::Symptoms.words(@entry.symptoms) if @entry.symptoms.any?),
          @entry.note.then { |note| note unless note.empty? }
        ].compact.join(" · ")
      end

      def drawn
        all = [*@targets, *@entry.rounds.filter_map(&:held_s)]
        most = [@targets.size, @entry.rounds.size, 1].max
        step = WIDTH / most.to_f
        scale = (step - 15) / [all.max || 1, 1].max
        Array.new(most) do |index|
          round = @entry.rounds[index]
          Round.new(
            planned_x: (index * step).round(1),
            planned_width: ((@targets[index] || 0) * scale).round(1),
            held_width: ((round&.held_s || 0) * scale).round(1),
            words: held_words(round),
            kind: round&.first_breath
          )
        end
      end

      private

      def other_size
        more = @entry.rounds.size - @targets.size
        return if more.zero?
        return "#{Words.count(more, "hold")} more than planned" if more.positive?

        "#{Words.count(-more, "hold")} of #{@targets.size} not written"
      end

      def held_words(round)
        return "" unless round

        round.held_s ? Words.hold(round.held_s) : "left out"
      end
    end
  end
end
