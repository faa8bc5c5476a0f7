# frozen_string_literal: true

module Windlass
  module Presenters
    # What is asked before weeks are planned: from when, how many, and how often what.
    class PlanQuestion
      # A line of the form: one protocol of a group, or one prescription of an athlete. names: who has it.
      Line = Value.define(:key, :words, :names, :usual)
      # How often a week, where nobody said yet: by what it is, the heaviest first. Common practice, no source.
      USUAL = [
        [->(one) { one.strenuous? }, 1],
        [->(one) { one.over_breathing? }, 2],
        [->(one) { one.once_a_day? }, 3],
        [->(one) { one.column == :voice }, 4]
      ].freeze
      USUAL_ELSE = 5
      WEEKS = 6
      TIMES = (0..7).to_h { |times| [times, times.zero? ? "not planned" : times.to_s] }.freeze
      EASY = {
        "" => "none", "3" => "every third", "4" => "every fourth", "5" => "every fifth", "6" => "every sixth"
      }.freeze

      # @param line [Line] a protocol
      # @param times [Integer] a week
      def chosen?(form, line, times) = (form.typed_at("times[#{line.key}]") || line.usual).to_s == times.to_s

      attr_reader :name, :athletes, :lines, :path, :back

      # @param group [Records::Group]
      def self.of_group(group, today:)
        open = prescriptions(group.athletes.to_a)
        lines =
          open
            .group_by(&:name)
            .sort
            .map do |name, own|
              Line.new(
                key: name,
                words: name,
                names: own.map { |one| one.athlete.name }.uniq.sort,
                usual: usual(own.first, group.slots.size)
              )
            end
        new(group.name, group.athletes.to_a, lines, "/groups/#{group.id}", today) do |times, key|
          open.select { |one| one.name == key }.to_h { |one| [one.id, times] }
        end
      end

      # @param athlete [Records::Athlete]
      def self.of_athlete(athlete, today:)
        open = prescriptions([athlete])
        times = Records::Slot.where(athlete_id: athlete.id).or(
          Records::Slot.where(group_id: Records::Member.where(athlete_id: athlete.id).select(:group_id))
        ).count
        lines = open.map { |one| Line.new(key: one.id.to_s, words: one.name, names: [], usual: usual(one, times)) }
        new(athlete.name, [athlete], lines, "/athletes/#{athlete.id}/programme", today) do |times, key|
          {key.to_i => times}
        end
      end

      def self.prescriptions(athletes) =
        Records::Prescription
          .open
          .where(athlete_id: athletes.map(&:id))
          .includes(:athlete)
          .order(:id)
          .select { |one| one.to_protocol.laddered? || one.own_name }

      # As often as before, or as is usual; no oftener than there are times of the week, where there are some.
      def self.usual(prescription, slots)
        before =
          Records::Training
            .joins(:programme)
            .where(prescription_id: prescription.id)
            .order(id: :desc)
            .pick(:times_a_week)
        often = before || USUAL.find { |what, _| what.call(prescription.to_protocol) }&.last || USUAL_ELSE
        slots.zero? ? often : [often, slots].min
      end
      private_class_method :prescriptions, :usual

      def initialize(name, athletes, lines, path, today, &spread)
        @name = name
        @athletes = athletes
        @lines = lines
        @path = "#{path}/plan"
        @back = path
        @today = today
        @spread = spread
      end

      # @return [Forms::ProgrammeForm] as it is asked first: from next Monday on
      def form =
        Forms::ProgrammeForm.blank(
          starts_on: (@today + (8 - @today.cwday) % 7).iso8601,
          weeks: WEEKS.to_s,
          easy_every: "4"
        )

      # @return [Hash{Integer => Integer}] times a week, by prescription
      def times(form) =
        form.times.slice(*lines.map(&:key)).map { |key, count| @spread.call(count, key) }.reduce({}, :merge)
    end
  end
end
