# frozen_string_literal: true

require "icalendar"
require "icalendar/tzinfo"

module Windlass
  # A programme as iCalendar (RFC 5545): a session an event, in the place's own time, under a name that stays the same
  # when it moves.
  module ProgrammeCalendar
    LOCALTIME = "/etc/localtime"

    # @param planned [Enumerable<Records::PlannedSession>] with athlete and prescription
    # @param name [String] of the calendar
    # @param who [Boolean] the athlete's name belongs into each event
    # @param now [Time]
    # @return [String] with its lines folded
    def self.of(planned, name:, now:, who: false)
      calendar = Icalendar::Calendar.new
      calendar.prodid = "-//Windlass//Programme//EN"
      calendar.x_wr_calname = name
      calendar.add_timezone(zone.ical_timezone(now)) if zone
      planned.each { |one| calendar.add_event(event(one, who, now)) }
      calendar.publish
      calendar.to_ical
    end

    def self.event(planned, who, now)
      Icalendar::Event.new.tap do |event|
        event.uid = "#{planned.uuid}@windlass.invalid"
        event.sequence = planned.sequence
        event.dtstamp = Icalendar::Values::DateTime.new(now.utc, "tzid" => "UTC")
        event.dtstart = moment(planned, planned.begins_min)
        event.dtend = moment(planned, planned.begins_min + [(planned.seconds / 60.0).ceil, 1].max)
        event.summary = [(planned.athlete.name if who), planned.name].compact.join(": ")
        event.description = [
          planned.dose_words.presence,
          ("Expected by then; what comes of it the verdicts say." if planned.expected),
          *planned.reasons.map { |reason| reason["text"] }
        ].compact.join("\n")
        event.location = Protocols::PLACES.fetch(planned.place.to_sym, planned.place) unless planned.place.empty?
      end
    end

    def self.moment(planned, minutes)
      day = planned.local_date + minutes / 1440
      local = Time.local(day.year, day.month, day.day, *(minutes % 1440).divmod(60))
      if zone
        Icalendar::Values::DateTime.new(local.to_datetime, "tzid" => zone.identifier)
      else
        Icalendar::Values::DateTime.new(local.getutc.to_datetime, "tzid" => "UTC")
      end
    end

    # @return [TZInfo::Timezone, nil] of the machine, where it has a name
    def self.zone
      return @zone if defined?(@zone)

      name = ENV["TZ"].presence || (File.symlink?(LOCALTIME) ? File.readlink(LOCALTIME)[%r{zoneinfo/(.+)\z}, 1] : nil)
      @zone = name && TZInfo::Timezone.get(name)
    rescue TZInfo::InvalidTimezoneIdentifier, TZInfo::DataSourceNotFound
      @zone = nil
    end
    private_class_method :event, :moment, :zone
  end
end
