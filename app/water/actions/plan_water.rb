# frozen_string_literal: true

module Windlass
  module Actions
    # Divers in pairs: everybody has somebody, was asked today, and may.
    module PlanWater
      PAIR = 2

      # @param pairs [Hash{String => String}] number of a pair, by athlete
      # @param clear [Array<String>] of whom it was said that there is nothing today
      # @return [Array<Array<Records::Athlete>>]
      # @raise [Error] who is alone, was not asked, or may not, by name
      def self.call(account, pairs, clear:, now:)
        chosen = pairs.reject { |_, number| number.to_s.empty? }
        divers =
          account.active_athletes.where(id: chosen.keys).by_name.includes(:suspensions, :screenings, :clearances,
            :consents).to_a
        groups = divers.group_by { |athlete| chosen[athlete.id.to_s] }.sort.map(&:last)
        raise Error, "Nobody dives alone: choose a pair for two divers at least." if groups.empty?

        odd = groups.find { |group| group.size != PAIR }
        raise Error, "#{Words.list(odd.map(&:name))}: a pair is two." if odd

        divers.each { |diver| Consents.required!(diver, now.to_date) }
        ask(divers, clear, now)
        refuse(groups, now)
        groups
      end

      def self.ask(divers, clear, now)
        unasked = divers.select { |athlete| athlete.day_on(now.to_date).new_record? }
        silent = unasked.reject { |athlete| clear.include?(athlete.id.to_s) }
        raise Error, "Not asked today: #{Words.list(silent.map(&:name))}." if silent.any?

        unasked.each do |athlete|
          KeepDay.call(athlete, {answers: [Progression::TodaysQuestions::WATER.to_s]}, now: now)
        end
      end

      def self.refuse(groups, now)
        situations = Situations.of(groups.flatten, now: now)
        groups.each do |pair|
          pair.each do |athlete|
            ready =
              Progression::Readiness.of(
                situations.of(athlete.id, Progression::WATER).with(watcher: (pair - [athlete]).first.name)
              )
            unless ready.go?
              raise Error,
                "#{athlete.name}: #{ready.reasons.flat_map { |reason| [reason.text, reason.lifts] }.compact.join(" ")}"
            end
          end
        end
      end
      private_class_method :ask, :refuse
    end
  end
end
