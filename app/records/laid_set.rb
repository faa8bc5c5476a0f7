# frozen_string_literal: true

module Windlass
  module Records
    # A set that lies on an athlete's phone for a day, as it was planned: never changed, for what was begun with it is
    # judged as what it was. Each time it is run it becomes a session of its own.
    class LaidSet < Record
      self.table_name = "laid_sets"
      belongs_to :athlete
      belongs_to :prescription
      belongs_to :timeline, class_name: "Windlass::Records::KeptTimeline"

      # What a session has of it.
      PLAN = %w[
        account_id athlete_id prescription_id timeline_id local_date protocol dose rung reduced light lowered_to posture
        forecast washout
      ].freeze
      # After so many days nothing of it comes home any more.
      KEPT_DAYS = 30

      # @return [Time] where nothing better is known of when it was begun
      def noon = local_date.to_time + 12 * 3600

      # @return [String] what the key of its runs is of
      def keyed = uuid

      # @return [Session] not kept: what its deck shows
      def to_session =
        Session.new(attributes.slice(*PLAN).merge(uuid: uuid, planned_at: laid_at)).tap do |session|
          session.association(:athlete).target = athlete
          session.association(:prescription).target = prescription
        end
    end
  end
end
