# frozen_string_literal: true

module Windlass
  module Presenters
    # The protocols, grouped by what a coach wants; for an athlete with what is offered, or for nobody.
    class Library
      Group = Value.define(:goal, :words, :entries)

      # A family as it stands in the library. objection: why the athlete is not offered it.
      Entry = Value.define(:protocol, :dose, :objection, :numbers, :line, :prescribed) { def offered? = objection.nil? }

      # A protocol of the coach's own, likewise. ends: the prescription of its family that it would end.
      Own = Value.define(:id, :name, :note, :words, :objection, ends: nil) { def offered? = objection.nil? }

      attr_reader :athlete, :discipline, :place, :search

      # @param account [Records::Account]
      # @param athlete [Records::Athlete, nil]
      # @param discipline [String, nil] only what it uses
      # @param place [Symbol, nil] only what may be done there
      # @param search [String] a word of the name, or of what it trains; empty: all
      def initialize(account, today:, athlete: nil, discipline: nil, place: nil, search: "")
        @search = search
        @account = account
        @athlete = athlete
        @discipline = discipline if Protocols::DISCIPLINES.include?(discipline)
        @place = Protocols::PLACES.keys.find { |one| one.to_s == place }
        @today = today
      end

      # @return [String] what an address adds to speak of the athlete
      def of_whom = athlete ? "?athlete_id=#{athlete.id}" : ""

      def title = athlete ? "Protocols for #{athlete.name}" : "Protocols"

      def whose = athlete ? "Doses from #{athlete.name.split.first}'s newest measures." : "Doses for #{Nobody::WORDS}."

      # @return [Array<Group>] without those that a filter leaves empty
      def groups
        @groups ||=
          Protocols::GOALS.filter_map do |goal, words|
            entries = shown.select { |protocol| protocol.goal == goal }.map { |protocol| entry(protocol) }
            Group.new(goal: goal, words: words, entries: entries) if entries.any?
          end
      end

      def disciplines = Protocols::DISCIPLINES

      def places = Protocols::PLACES

      # @return [String] what is filtered, in one line
      def filtered =
        [
          "Filter",
          [search, discipline, places[place]].reject { |one| one.to_s.empty? }
            .join(", ")
            .then { |all| all.empty? ? nil : all }
        ].compact.join(": ")

      # @return [Array<Own>]
      def own
        @own ||=
          @account
            .own_protocols
            .by_name
            .to_a
            .select do |one|
              one.to_protocol.families.all? { |family| fits?(family) } &&
                found?(one.name, one.note, one.to_protocol.name)
            end
            .map do |one|
              family, dose = one.to_protocol, one.to_dose
              Own.new(
                id: one.id,
                name: one.name,
                note: one.note,
                words: "#{family.name}: #{family.in_words(dose)}",
                objection: offer.objection(family, dose),
                ends: offer.running[family.named(one.name).id]
              )
            end
      end

      private

      def offer = @offer ||= LibraryOffer.new(athlete, @today)

      def shown
        @shown ||=
          Protocols::ALL.select do |protocol|
            fits?(protocol) &&
              found?(
                protocol.name, protocol.also, protocol.known_as, protocol.trains, Protocols::GOALS.fetch(protocol.goal)
              )
          end
      end

      def fits?(protocol) =
        (discipline.nil? || protocol.disciplines.include?(discipline)) &&
          (place.nil? || protocol.places.include?(place))

      def found?(*words) = SearchWords.found?(search, *words)

      def entry(protocol)
        Entry.new(
          protocol: protocol,
          objection: offer.objection(protocol),
          prescribed: offer.prescribed.include?(protocol.id),
          **offer.shown(protocol)
        )
      end
    end
  end
end
