# frozen_string_literal: true

require "yaml"

module Windlass
  # What somebody agrees to before anything about their health is kept.
  module Consents
    # @return [Hash{Integer => Array<String>}] sentences, by version
    WORDS = YAML.load_file(File.join(__dir__, "consent_words.yml")).freeze
    VERSION = WORDS.keys.max

    # What an athlete reads who comes by a link.
    TO_THEMSELVES = "Nobody has agreed yet to what is kept of you, so nothing is. Ask your coach."

    # @param athlete [Records::Athlete]
    # @param on [Date]
    # @return [Boolean] nothing about health is kept of them that day
    def self.missing?(athlete, on)
      return false if athlete.consent_due_on&.>=(on)

      athlete.consents.none? { |one| one.holds?(athlete, on) }
    end

    # @return [String] whose word is missing
    def self.missing_words(athlete, on)
      who = minor?(athlete, on) ? "No guardian of #{athlete.name} has" : "#{athlete.name} has not"
      "#{who} agreed yet to what is kept"
    end

    # @return [Boolean] a guardian agrees for them
    def self.minor?(athlete, on) = athlete.age_on(on) < Screening::Ages::ADULT

    # Before anything about health is written down. What stops somebody is written down all the same: ask it only of
    # what does not.
    # @raise [Error]
    def self.required!(athlete, on)
      return unless missing?(athlete, on)

      raise Error,
        "#{missing_words(athlete, on)}. Nothing about their health is kept before: ask on their sheet, under Consent."
    end
  end
end
