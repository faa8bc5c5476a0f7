# frozen_string_literal: true

module Windlass
  module Presenters
    # What two devices ran of the same session: the one that was planned, and the others.
    module SessionTwins
      Twin = Value.define(:uuid, :this, :began, :words)

      # @param session [Records::Session]
      # @return [Array<Twin>] empty where it was one, or where it was said already
      def self.of(session)
        return [] unless Queries::Twins.open?(session)

        Queries::Twins.pair(session).map do |one|
          began = one.started_at&.getlocal&.strftime("%H:%M")
          Twin.new(uuid: one.uuid, this: one.id == session.id, began: began, words: words(one))
        end
      end

      def self.words(session)
        held = session.rounds.select(&:held_ms)
        "#{Words.count(held.size, "hold")}, #{Words.seconds((held.sum(&:held_ms) / 1000.0).round)} in all, " \
          "#{(session.state == "done") ? "to the end" : "not to the end"}"
      end
      private_class_method :words
    end
  end
end
