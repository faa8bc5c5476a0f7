# frozen_string_literal: true

module Windlass
  module Programme
    # What planning anew would change. A session that stays where it was, or goes elsewhere within the days around it,
    # is the same one.
    class Difference
      WITHIN_DAYS = 7

      # @return [Hash{Entry => Object, nil}] each session of the plan, with the one before that it is
      attr_reader :pairs

      # @return [Array<Object>] of those before: what has no place any more
      attr_reader :gone

      # @param before [Array<#key, #date, #at>] what is still to come, as it was planned
      # @param plan [Plan]
      def initialize(before, plan)
        @gone = before.dup
        @pairs = {}.compare_by_identity
        plan.sessions.each { |entry| @pairs[entry] = take_same(entry) }
        @pairs.each { |entry, one| @pairs[entry] = take_near(entry) if one.nil? }
      end

      # @return [Array<Array(Object, Entry)>] from where, and to where
      def moved = pairs.filter_map { |entry, one| [one, entry] if one && [one.date, one.at] != [entry.date, entry.at] }

      # @return [Array<Entry>]
      def fresh = pairs.filter_map { |entry, one| entry if one.nil? }

      private

      def same(entry) = @gone.select { |one| one.key == entry.training.key }

      def take_same(entry) = take(same(entry).find { |one| one.date == entry.date && one.at == entry.at })

      def take_near(entry)
        days = ->(one) { (entry.date - one.date).abs }
        take(same(entry).select { |one| days[one] < WITHIN_DAYS }.min_by { |one| [days[one], one.date, one.at] })
      end

      def take(one) = one && @gone.delete_at(@gone.index { |other| other.equal?(one) })
    end
  end
end
