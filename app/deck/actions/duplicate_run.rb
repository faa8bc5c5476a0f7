# frozen_string_literal: true

module Windlass
  module Actions
    # A session that two devices ran is two: each is kept as it was, and the coach says which of them it was. Until then
    # neither is judged, and both count as done: nobody trains more for it.
    module DuplicateRun
      # What a session is before it begins.
      PLAN = %w[
        account_id athlete_id prescription_id protocol dose rung reduced light lowered_to timeline_id planned_at
        local_date posture forecast washout
      ].freeze

      # @param device [String, nil] that sends; nil says nothing of it
      # @param events [Array<Hash>]
      # @return [Records::Session] the one that this device ran
      def self.for(session, device, events, now:)
        return session if device.nil? || events.empty?

        session.with_lock do
          began = events.any? { |event| event[:kind] == "start" }
          session.update!(device: device) if began && session.device.nil?
          next session if [nil, device].include?(session.device)

          Queries::Twins.of(session).find_by(device: device) || (began ? make(session, device, now) : session)
        end
      end

      # @param was [String] uuid of the one that counts; empty where both were done
      def self.settle(session, was:, now:)
        both = Queries::Twins.pair(session)
        raise Error, "No second device ran this session." if both.none? { |one| one.twin_of_id && !one.twin_settled }
        raise Error, "“#{was}” is none of these sessions." unless was.empty? || both.map(&:uuid).include?(was)

        session.transaction do
          both.each do |one|
            one.update!(twin_settled: true, discarded_at: (was.empty? || one.uuid == was) ? one.discarded_at : now)
          end
        end
        StoreVerdict.call(session)
      end

      def self.make(session, device, now)
        Records::Session.create!(
          session
            .attributes
            .slice(*PLAN)
            .merge(uuid: SecureRandom.uuid, state: "running", started_at: now, device: device, twin_of: session)
        )
      end
      private_class_method :make
    end
  end
end
