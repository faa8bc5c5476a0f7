# frozen_string_literal: true

require "delayed_job_active_record"

module Windlass
  # Sends an athlete their week, behind the page: a letter with what is planned and when, the same as a calendar, and a
  # page to hang up. Nothing of how it went, or of what they feel: a letter lies open.
  module WeekPost
    # What the queue holds. A letter that could not be sent lies in the outbox: it is not sent again by itself.
    Job =
      Struct.new(:athlete_id, :date, :to) do
        def perform = WeekPost.deliver(Records::Athlete.find(athlete_id), Date.iso8601(date), to, now: Time.now)

        def max_attempts = 1
      end

    # @param athlete [Records::Athlete] where the letter goes is remembered with them
    # @param date [Date] in the week that is sent
    # @param to [String]
    def self.later(athlete, date, to:)
      athlete.update!(post_to: to)
      Delayed::Job.enqueue(Job.new(athlete.id, date.iso8601, to))
    end

    def self.deliver(athlete, date, to, now:)
      programme = Records::Programme.open.find_by!(athlete_id: athlete.id)
      page = Presenters::ProgrammeSheet.new(athlete, programme, today: now.to_date)
      week = page.week_on(date)
      Post.week(to, athlete.name, "week #{week.number}", lines(week), files(page, week, now))
    end

    def self.lines(week) =
      week.days.flat_map do |day, marks|
        marks.map { |mark| "#{day.words}  #{mark.begins}  #{mark.name}, #{mark.minutes}" }
      end

    # @return [Hash{String => String}] names and bytes
    def self.files(page, week, now)
      planned = page.programme.planned_sessions.where(local_date: week.from..week.from + 6)
      name = "Week #{week.number} of #{page.athlete.name}"
      {
        "week-#{week.number}.ics" =>
          ProgrammeCalendar.of(planned.includes(:athlete, :prescription), name: name, now: now),
        "week-#{week.number}.pdf" => Papers::Week.of_athlete(page, week).to_s
      }
    end
    private_class_method :lines, :files
  end
end
