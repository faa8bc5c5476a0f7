# frozen_string_literal: true

module Windlass
  module Forms
    # How a squad starts: the gap between first breaths, the latest start, the minutes there are, who watches whom, and
    # starts by hand.
    class SquadForm < Form
      GAP_S = 4..15
      LATEST_S = 0..900
      MINUTES = 1..240

      class Rules < Contract
        params do
          required(:gap_s).filled(:integer)
          required(:latest_s).filled(:integer)
          optional(:minutes).maybe(:integer)
          optional(:on_the_word).maybe(:bool)
        end

        rule(:gap_s).validate(within: GAP_S)
        rule(:latest_s).validate(within: LATEST_S)
        rule(:minutes).validate(within: MINUTES)
      end
      RULES = Rules

      # @param names [Array<String>] of the athletes, in the order of their lanes
      def self.parse(params, names:) = new(params, RULES.new).tap { |form| form.check_lanes(names) }

      def check_lanes(names)
        names.each_index do |lane|
          start = text_at("start[#{lane}]").strip
          unless seconds(
            start
          )
            errors[
              "start[#{lane}]"
            ] = "“#{start}” is not allowed; allowed: whole seconds from #{LATEST_S.min} to #{LATEST_S.max}"
          end
          fault = pair_fault(lane, names)
          errors["pair[#{lane}]"] = fault if fault
        end
      end

      # @param squad [Records::Squad]
      def self.of(squad)
        blank(
          "gap_s" => squad.gap_s,
          "latest_s" => squad.latest_s,
          "minutes" => squad.minutes,
          "on_the_word" => squad.on_the_word ? "1" : nil,
          "start" => squad.sessions.to_h { |session| [session.lane.to_s, session.starts_s.to_s] },
          "pair" => squad.sessions.to_h { |session| [session.lane.to_s, session.pair_lane.to_s] }
        )
      end

      # @return [Hash] of a squad
      def settings =
        {
          gap_s: values[:gap_s],
          latest_s: values[:latest_s],
          minutes: values[:minutes],
          on_the_word: values[:on_the_word] == true
        }

      # The button that was pressed.
      HOW = {"at_once" => :at_once, "keep" => :given}.freeze

      # @return [Symbol] as ArrangeSquad takes it
      def how = HOW.fetch(text_at("deed"), :staggered)

      # @param lanes [Integer]
      # @return [Array<Integer>, nil] where the starts were typed
      def given_starts(lanes) = (starts(lanes) if how == :given)

      # @param lanes [Integer]
      # @return [Array<Integer>]
      def starts(lanes) = (0...lanes).map { |lane| seconds(text_at("start[#{lane}]").strip) }

      # Said by one of the two, it holds for both.
      # @param lanes [Integer]
      # @return [Hash{Integer => Integer}]
      def pairs(lanes)
        (0...lanes)
          .filter_map { |lane| [lane, paired(lane)] if paired(lane) }
          .flat_map { |one, other| [[one, other], [other, one]] }
          .to_h
      end

      private

      # @return [Integer, nil] nothing typed is the common start
      def seconds(text) =
        text.empty? ? 0 : Integer(text, 10, exception: false)&.then { |seconds| seconds if LATEST_S.cover?(seconds) }

      def paired(lane) = Integer(text_at("pair[#{lane}]").strip, 10, exception: false)

      def pair_fault(lane, names)
        typed = text_at("pair[#{lane}]").strip
        return if typed.empty?

        other = paired(lane)
        return "“#{typed}” is nobody here" unless other && names.each_index.include?(other)
        return "#{names[lane]} can't watch themselves" if other == lane

        rival = names.each_index.find { |one| one != lane && (paired(one) == other || paired(other) == one) }
        "#{names[other]} is in a pair with #{names[rival]} already; pairs are mutual" if rival
      end
    end
  end
end
