# frozen_string_literal: true

module Windlass
  module Queries
    # What a set on a phone waits for once others were run there: a phone without a network refuses no less than the
    # server would. Each earlier set is thought of as run as late on its day as it can be, and readiness is asked.
    module WaitsBetweenSets
      # So far back a set may keep another away, in days.
      BACK_DAYS = 2
      LATE_H = 22
      HOUR_S = 3600
      RULES = [Progression::Readiness::WaitStrenuous, Progression::Readiness::WaitDay].freeze

      # after: those that were run, as prescription and day: all of them. for_s: seconds after the end of the last, or
      # until: the day on which it is open. rough: it holds only where a first breath was none of the smooth.
      Wait =
        Value.define(:after, :words, for_s: nil, until: nil, rough: false) do
          # @return [Hash] for the phone
          def to_plain = to_h.compact.merge(after: after.map { |id, day| [id, day.iso8601] })
        end

      # @param row [#set, #situation] what is to be run
      # @param rows [Array] all that lie on the phone
      # @return [Array<Wait>]
      def self.of(row, rows)
        # Marks of a deck that runs are not to wait for it.
        Thread.pass
        date = row.set.local_date
        earlier = rows.select { |one| (date - BACK_DAYS..date).cover?(one.set.local_date) }
        alone = earlier.filter_map { |one| wait(row, [one]) }
        alone + running(row, earlier).filter_map { |pair| wait(row, pair) }
      end

      # A third day running: what was run on both days before.
      # @return [Array<Array>]
      def self.running(row, earlier)
        own = row.situation.activity.family_ids.select { |id| Progression.activity(id).days_running }
        before =
          earlier.select do |one|
            own.intersect?(one.situation.activity.family_ids) && one.set.local_date < row.set.local_date
          end
        before.combination(2).reject { |one, other| one.set.local_date == other.set.local_date }
      end

      # @return [Wait, nil] nil where they keep it neither waiting nor away
      def self.wait(row, ran)
        usual = asked(row, ran, calm: true)
        reason = usual || asked(row, ran, calm: false) or return
        later = asked(row, ran, calm: !usual.nil?, sooner_s: HOUR_S)
        Wait.new(
          after: ran.map { |one| [one.set.prescription_id, one.set.local_date] }, words: reason.text,
          rough: usual.nil?, **opening(reason, later, ran)
        )
      end

      # Hours are reckoned from the end of what was run; days stand still, however late it was.
      def self.opening(reason, later, ran)
        if later.nil? || later.opens < reason.opens
          {for_s: (reason.opens - late(ran.last.set.local_date).to_f).round}
        else
          {until: Time.at(reason.opens).to_date.iso8601}
        end
      end

      # @return [Progression::Readiness::Reason, nil]
      def self.asked(row, ran, calm:, sooner_s: 0)
        ended = ran.map { |one| late(one.set.local_date) - sooner_s }
        situation = row.situation
        done = ran.zip(ended).map { |one, at| outline(one, at, calm) }
        first = row.set.local_date.to_time
        thought = situation.with(now: [first, ended.max + 1].max, history: situation.history + done)
        RULES.filter_map { |rule| rule.check(thought) }.reject(&:go?).max_by { |one| one.opens.to_f }
      end

      def self.outline(row, at, calm)
        set = row.set
        Progression::Outline.new(
          id: "laid #{set.uuid}", date: set.local_date, protocol: row.situation.activity.id, dose: row.situation.dose,
          ended_at: at, washout: set.washout, calm: calm
        )
      end

      def self.late(date) = date.to_time + LATE_H * HOUR_S
      private_class_method :running, :wait, :opening, :asked, :outline, :late
    end
  end
end
