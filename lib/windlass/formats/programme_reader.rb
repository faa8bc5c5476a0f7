# frozen_string_literal: true

module Windlass
  module Formats
    # What `bin/windlass programme` is asked, as a {Programme::Planner}.
    class ProgrammeReader
      DAYS = %w[mon tue wed thu fri sat sun].freeze

      # @param data [Hash] that fits docs/formats/programme.schema.json
      def initialize(data)
        @data = data
      end

      # @param memo [Hash] shared by several plans
      # @return [Programme::Planner]
      # @raise [InvalidInput]
      def planner(memo: {})
        trainings = trainings()
        history = SituationReader.history(@data, nil, ladders.compact)
        Programme::Planner.new(
          calendar,
          slots: slots,
          trainings: trainings,
          memo: memo,
          ground: {
            **SituationReader.ground(@data, measures, mornings),
            **SituationReader.said(@data),
            history: history
          }
        )
      end

      private

      def from = @from ||= Parts.date(@data.fetch("from"), "from")

      def calendar
        Programme::Calendar.new(
          from: from,
          weeks: @data.fetch("weeks"),
          easy_every: @data.fetch("easy_every", 4),
          events: events,
          absences: absences,
          waters:
            list("water") do |water, path|
              Programme::Water.new(
                date: Parts.date(water.fetch("date"), "#{path}.date"),
                at_min: minutes(water["at"], "#{path}.at")
              )
            end
        )
      end

      def list(name) = @data.fetch(name, []).map.with_index { |one, index| yield one, "#{name}[#{index}]" }

      def slots
        list("slots") do |slot, path|
          Programme::Slot.new(
            day: DAYS.index(slot.fetch("day")) + 1,
            at_min: minutes(slot.fetch("at"), "#{path}.at"),
            minutes: slot.fetch("minutes"),
            place: slot["place"]
          )
        end.sort_by { |slot| [slot.day, slot.at_min] }.tap { |all| refuse_overlaps(all) }
      end

      def refuse_overlaps(slots)
        overlapping =
          slots.each_cons(2).find { |one, other| one.day == other.day && one.at_min + one.minutes > other.at_min }
        if overlapping
          raise InvalidInput,
            [
              "slots: #{overlapping.map { |slot| "#{DAYS[slot.day - 1]} #{slot.at}" }.join(" and ")} overlap; " \
              "allowed: one after the other"
            ]
        end
      end

      def events
        list("events") do |event, path|
          Programme::Event.new(
            date: Parts.date(event.fetch("date"), "#{path}.date"),
            kind: event.fetch("kind").to_sym,
            at_min: minutes(event["at"], "#{path}.at"),
            name: event["name"]
          )
        end
      end

      def absences
        list("absences") do |absence, path|
          away =
            Programme::Absence.new(
              from: Parts.date(absence.fetch("from"), "#{path}.from"),
              to: Parts.date(absence.fetch("to"), "#{path}.to")
            )
          if away.to < away.from
            raise InvalidInput,
              ["#{path}.to: #{absence["to"]} is before #{absence["from"]}; allowed: the same day or later"]
          end

          away
        end
      end

      def minutes(text, path)
        return if text.nil?

        hours, minutes = text.match(/\A([01]\d|2[0-3]):([0-5]\d)\z/)&.captures
        unless hours
          raise InvalidInput, ["#{path}: #{Error.shown(text)} is not allowed; allowed: a time of day such as 07:00"]
        end

        hours.to_i * 60 + minutes.to_i
      end

      def mornings = @mornings ||= SituationReader.mornings(@data)

      # Scores from the first day on are none yet.
      def measures =
        @measures ||= SituationReader.measures(@data, mornings.scores.reject { |pause| pause.taken_at.to_date > from })

      def trainings
        twice = @data.fetch("trainings").map { |one| one.fetch("protocol") }.tally.find { |_, times| times > 1 }
        if twice
          raise InvalidInput, ["trainings: #{Error.shown(twice.first)} comes twice; allowed: every protocol once"]
        end

        ladders
        list("trainings") { |given, path| training(given, path) }
      end

      def training(given, path)
        ladder = ladders.fetch(given.fetch("protocol"))
        standing = ladder&.offered_at_all? ? Parts.standing(given, ladder) : nil
        protocol = Parts.protocol(given)
        Programme::Training.new(
          key: protocol.id,
          protocol: protocol,
          standing: standing,
          times: given.fetch("times_a_week"),
          refusal: (Parts.refusal(ladder, measures) unless standing)
        )
      rescue InvalidInput => error
        raise InvalidInput, error.faults.map { |fault| "#{path}.#{fault}" }
      end

      # @return [Hash{String => Progression::Ladder}]
      def ladders
        @ladders ||= list("trainings") { |given, path| [given.fetch("protocol"), ladder(given, path)] }.to_h
      end

      def ladder(given, path)
        Parts.ladder(@data.slice("athlete").merge(given), Parts.protocol(given), measures)
      rescue InvalidInput => error
        raise InvalidInput, error.faults.map { |fault| "#{path}.#{fault}" }
      end
    end
  end
end
