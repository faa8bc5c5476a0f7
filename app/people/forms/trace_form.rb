# frozen_string_literal: true

module Windlass
  module Forms
    # What of the trace is looked for.
    class TraceForm < FilterForm
      class Rules < Period
        params do
          optional(:who).maybe(Types::Text)
          optional(:what).maybe(Types::Text)
          optional(:athlete).maybe(:integer)
          optional(:before).maybe(:integer)
        end

        rule(:what).validate(at_most_characters: 80)
        rule(:athlete).validate(within: 1..999_999_999)
      end
      RULES = Rules

      fields :who, :what, :athlete, :from, :to

      # @return [Integer, nil] number of the last line of the page before
      def before = (values[:before] unless fault(:before))

      # @return [ActiveRecord::Relation] of the trace
      def found
        found = Records::TraceEntry.all
        found = found.where(person_uuid: who) if who
        found = found.where(athlete_id: athlete) if athlete
        found = found.where(deed: Trace.deeds_with(what)) if what
        found = found.where(at: from.to_time..) if from
        found = found.where(at: ...(to + 1).to_time) if to
        found
      end
    end
  end
end
