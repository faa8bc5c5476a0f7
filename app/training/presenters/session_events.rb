# frozen_string_literal: true

module Windlass
  module Presenters
    # What happened on the deck besides the plan: keys that were pressed, symptoms, an emergency.
    class SessionEvents
      # @param session [Records::Session]
      def initialize(session)
        @session = session
      end

      # @return [Array<String>] what was done otherwise than planned, and what was felt, each with its moment
      def noted
        events.filter_map do |event|
          case event.kind
          when :shorten
            "shorter holds from #{at(event)} on"
          when :restore
            "one breath more at #{at(event)}"
          when :beat
            "#{event.value} beats a minute from #{at(event)} on"
          when :symptom
            Progression::Symptoms::Noted.of(event).in_words
          end
        end
      end

      # @return [String, nil] from when on somebody breathed quietly instead
      def turned_quiet
        events.find { |event| event.kind == :quiet }&.then { |one| "quiet breathing from #{at(one)} on" }
      end

      # @return [Boolean] something was done otherwise than planned, by a key for it
      def changed? = events.any? { |event| %i[hold_now shorten restore].include?(event.kind) }

      # @return [String] when the server heard of it: what was noted offline comes later
      def emergency_heard_at = emergency_events.map(&:received_at).min.getlocal.strftime("%H:%M")

      # @return [Array<EmergencyCard::Note>] the beginning of an incident report
      def emergency_notes = EmergencyCard.notes(emergency_events.map(&:to_core))

      private

      def events = @events ||= @session.journal_events.sort_by(&:at_ms).map(&:to_core)

      def at(event) = Words.clock(event.at_ms / 1000)

      def emergency_events =
        @emergency_events ||=
          @session.journal_events.select { |event| Timeline::EMERGENCY_KINDS.include?(event.kind.to_sym) }
    end
  end
end
