# frozen_string_literal: true

module Windlass
  module Presenters
    # What found no place in a group's week, and why a row of it is empty.
    class GroupLeftOut
      # @param week [GroupWeek]
      def initialize(week)
        @week = week
        @from = week.from
      end

      # @return [Array<String>] `small holds 2 times`
      def left_out(athlete_id) =
        (@week.programmes[athlete_id]&.left_out || [])
          .select { |one| one["week"] == @from.iso8601 }
          .map { |one| "#{one["name"].downcase} #{Words.times(one["missing"])}" }

      # @return [String] why a row is empty
      def why_empty(athlete)
        programme = @week.programmes[athlete.id]
        return prescribed.include?(athlete.id) ? "no programme" : "nothing prescribed" if programme.nil?
        return "away" if @week.dates.all? { |date| @week.away?(athlete.id, date) }
        return "from #{Dates.short(programme.starts_on)} on" if programme.starts_on > @from + 6
        return "until #{Dates.short(programme.ends_on)}" if programme.ends_on < @from

        left_out(athlete.id).any? ? "nothing found a place" : "nothing planned"
      end

      # @return [String, nil] planning that was begun and not finished
      def planning_waits
        programmes = Records::Programme.waiting.where(group_id: @week.group.id).includes(:athlete)
        waiting = programmes.map { |one| one.athlete.name }.sort
        if waiting.any?
          "Planning waits for #{Words.list(waiting)}. Until it goes on, what was planned before stays in force."
        end
      end

      # @return [String, nil] `Not placed: Ada (small holds, 2 not placed); …`, the whole group at a glance
      def left_out_words
        some = @week.rows.select { |row| row.left_out.any? }
        return if some.empty?

        "Not placed this week: #{some.map { |row| "#{row.name} (#{Words.list(row.left_out)})" }.join("; ")}."
      end

      private

      def prescribed =
        @prescribed ||=
          Records::Prescription.open.where(athlete_id: @week.group.athletes.map(&:id)).distinct.pluck(:athlete_id)
    end
  end
end
