# frozen_string_literal: true

require "yaml"

module Windlass
  module Demo
    # Groups with a programme each: an event ahead, somebody ill, a week that was missed.
    module Groups
      ALL = YAML.load_file(File.join(__dir__, "groups.yml")).freeze
      WEEKS = 6
      MISSED_WEEKS = 2

      # @param account [Records::Account]
      # @param now [Time]
      def self.load(account, now:)
        ALL.each { |one| write(account, one, now) }
      end

      def self.write(account, one, now)
        members = account.athletes.by_name.select { |athlete| athlete.disciplines.intersect?(one["disciplines"]) }
        return if members.empty?

        monday = now.to_date - (now.to_date.cwday - 1)
        group = Records::Group.create!(account: account, name: one["name"], athletes: members)
        one["slots"].each do |day, at, minutes, place|
          group.slots.create!(day: day, at_min: Forms::WeekTime.minutes(at), minutes: minutes, place: place)
        end
        one["events"].each do |ahead, kind, name, at|
          group.events.create!(local_date: monday + ahead, kind: kind, name: name, at_min: Forms::WeekTime.minutes(at))
        end
        ill, missed = members.values_at(-2, -1)
        Records::Absence.create!(athlete: ill, from_on: now.to_date, to_on: now.to_date + 3, because: "a cold") if ill
        plan(group, members - [missed], one["times"], monday, now)
        plan(group, [missed], one["times"], monday - 7 * MISSED_WEEKS, now - 7 * MISSED_WEEKS * 86_400)
      end

      def self.plan(group, members, times, starts_on, now)
        wanted =
          Records::Prescription
            .open
            .where(athlete_id: members.map(&:id))
            .to_h { |one| [one.id, times.fetch(one.protocol, 0)] }
        return if wanted.values.sum.zero?

        programmes = Programmes.new(members, now: now)
        Actions::PlanProgramme
          .begin(members, times: wanted, starts_on: starts_on, weeks: WEEKS, easy_every: 4, now: now, group: group)
          .each { |programme| Actions::PlanProgramme.fill(programme, now: now, programmes: programmes) }
      end
      private_class_method :write, :plan
    end
  end
end
