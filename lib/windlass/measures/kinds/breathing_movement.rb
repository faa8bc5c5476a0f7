# frozen_string_literal: true

module Windlass
  module Measures
    # How a breath moves, on the back and face down. Common practice, no source.
    class BreathingMovement < Kind
      GRADES = {"yes" => "yes", "partly" => "partly", "no" => "no"}.freeze
      POINTS = {"yes" => 1, "partly" => 0.5, "no" => 0}.freeze
      LEADS = {"belly" => "the belly", "chest" => "the chest", "even" => "both alike"}.freeze
      SKILLS = {
        belly_only: "belly only",
        chest_only: "chest only",
        three_zones: "all three zones in one full breath"
      }.freeze
      POSITIONS = {supine: "On the back", prone: "Face down"}.freeze

      about id: "breathing_movement",
        name: "Breathing movement",
        place: 40,
        unit: "of 6 done",
        value: :done,
        steps: [
          "On the back, knees bent, one hand on the belly, one on the chest. Watch a normal breath.",
          "Then ask for belly only, for chest only, and for all three zones in one full breath.",
          "The same face down: many find the belly more easily there.",
          "Paradoxical breathing stops hold work: save it as soon as it is seen. The rest may follow."
        ],
        cautions: []

      POSITIONS.each do |position, words|
        field :"#{position}_leads", "#{words}: what leads a normal breath", choices: LEADS
        field :"#{position}_paradoxical",
          "#{words}: the belly sinks as the chest rises",
          choices: {
            "no" => "no",
            "yes" => "yes"
          }
        field :"#{position}_back", "#{words}: the back widens", choices: GRADES
        SKILLS.each { |skill, asked| field :"#{position}_#{skill}", "#{words}: #{asked}", choices: GRADES }
      end

      # What stops hold work is saved the moment it is seen.
      def urgent?(details) = !self.class.fault(details).nil?

      # @param details [Hash] grades
      # @return [Float] what is done of the six things asked
      def self.done(details) =
        POSITIONS.keys.product(SKILLS.keys).sum { |position, skill| POINTS.fetch(details[:"#{position}_#{skill}"], 0) }

      # What comes before any hold: the movement itself.
      # @param details [Hash] grades
      # @return [String, nil]
      def self.fault(details)
        if POSITIONS.keys.any? { |position| details[:"#{position}_paradoxical"] == "yes" }
          return "Paradoxical breathing: the belly sinks as the chest rises."
        end

        if POSITIONS.keys.all? { |position| details[:"#{position}_belly_only"] == "no" }
          "The belly does not move, neither on the back nor face down."
        end
      end

      private

      def headline(taken)
        return "Seen in part." if taken.details[:supine_leads].nil?

        "#{Words.number(taken.value)} of 6 done; #{LEADS.fetch(taken.details[:supine_leads])} " \
        "#{(taken.details[:supine_leads] == "even") ? "lead" : "leads"} at rest."
      end

      def sentences(taken, context)
        details = taken.details
        [
          self
            .class
            .fault(details)
            &.then do |fault|
              "#{fault} That comes first: quiet breathing and drills only, lying or face down, until it is seen well."
            end,
          ("At rest the belly is wanted in the lead." if details[:supine_leads] == "chest"),
          (
            if details
                 .values_at(:prone_belly_only, :supine_belly_only)
                 .map { |grade| POINTS[grade] }
                 .then { |prone, supine| prone && supine && prone > supine }
              "Finds the belly face down better than on the back: practise it there."
            end
          ),
          (
            if POSITIONS.keys.all? { |position| details[:"#{position}_back"] == "no" }
              "The back does not widen in either position."
            end
          ),
          by_discipline(context.disciplines)
        ]
      end

      def by_discipline(disciplines)
        if disciplines.intersect?(Protocols::VOICES)
          "For the voice: the ribs stay wide in the exhale, the chest stays high."
        elsif disciplines.intersect?(Protocols::APNOEA)
          "For a breathe-up: the belly moves, the chest stays still."
        end
      end
    end
  end
end
