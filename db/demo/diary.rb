# frozen_string_literal: true

module Windlass
  module Demo
    # Twelve weeks of one invented athlete, day by day: scores with noise, sessions as they went, verdicts as the judge
    # gave them. Deterministic for a seed; the core decides, chance only plays the athlete.
    class Diary
      DAYS = 84
      # Of the sets of a training day, so many have a first breath that is not smooth, when the dose is new.
      ROUGH = 0.035

      Day = Value.define(:date, :score, :pause_s, :sets, :verdict, :decided, :before, :after)
      Score = Value.define(:seconds, :at, :ended_by, :first_breath)

      # @param person [Hash] an entry of kestrel_quay.yml
      # @param now [Time]
      # @param random [Random]
      def initialize(person, now:, random:)
        @person = person
        @now = now
        @today = now.to_date
        @random = random
        @protocol = Protocols.find("small-holds")
        @history = []
        @newest_pause = nil
      end

      # @return [Array<Day>]
      def days = @days ||= (0...DAYS).to_a.reverse.map { |ago| day(ago) }

      # @return [Progression::Standing, nil] where the athlete stands now
      attr_reader :standing

      private

      def day(ago)
        date = @today - ago
        score = score(date, ago)
        @newest_pause = score.seconds if score && counts?(score)
        return day_off(date, score) unless trains?(ago)

        train(date, ago, score)
      end

      def day_off(date, score)
        Day.new(date: date, score: score, pause_s: @newest_pause, sets: [], verdict: nil, decided: nil, before: nil, after: nil)
      end

      def train(date, ago, score)
        @standing = Progression::Standing.of(@protocol, values, dose: standing&.dose, reduced: standing&.reduced || false)
        before = standing
        sets = Array.new(@protocol.sets(before.dose)) { |index| set(date, ago, index, before) }
        session = Progression::Session.of_day(sets)
        verdict = Progression::Judge.judge(session, history: @history, standing: before)
        @history = (@history + [session]).last(60)
        decided = ago >= 2 || @random.rand < 0.6
        @standing = verdict.target || before if decided
        @resting_until = date + 7 if verdict.verdict == :rest
        Day.new(date: date, score: score, pause_s: @newest_pause, sets: sets, verdict: verdict, decided: decided, before: before, after: @standing)
      end

      def values = Measures::Values.new(control_pause_s: @newest_pause)

      def away?(ago) = @person["layoff"] && ago <= @person["layoff"][0] && ago >= @person["layoff"][1]

      def stopped_since(ago) = @person["stopped"] && ago < @person["stopped"][0]

      def resting?(ago) = @resting_until && @today - ago < @resting_until

      def trains?(ago)
        !resting?(ago) && @newest_pause && ago.positive? && !away?(ago) && !stopped_since(ago) && @random.rand < @person["trains"] / 7.0
      end

      # Today's scores come in one by one: some are still missing.
      def score(date, ago)
        return if away?(ago) || @random.rand < (ago.zero? ? 0.4 : 0.12)

        Score.new(seconds: seconds(ago), at: at(date), ended_by: ended_by, first_breath: first_breath)
      end

      def seconds(ago)
        from, to = @person["pause"]
        slept_badly = @person["bad_sleep"] && ago <= @person["bad_sleep"][0] && ago >= @person["bad_sleep"][1]
        mean = from + (to - from) * (DAYS - ago) / DAYS
        [(mean * (slept_badly ? 0.66 : 1.0) + gauss * @person["scatter"]).round(1), 3.2].max
      end

      def at(date)
        midnight = Time.new(date.year, date.month, date.day)
        [midnight + 3600 * 6 + 60 * (20 + @random.rand(35)), @now - 600].min.then { |taken| [taken, midnight].max }
      end

      def ended_by
        usual = @person["ending"]
        return usual if usual && @random.rand < 0.55

        {"diaphragm" => 0.45, "throat" => 0.25, "wish" => 0.22, "impatience" => 0.04, "distraction" => 0.04}
          .max_by { |_, weight| @random.rand**(1 / weight) }.first
      end

      def first_breath
        pushed = @person["chases"] ? 0.22 : 0.05
        (@random.rand < pushed) ? %w[deeper gasp].sample(random: @random) : "calm"
      end

      def counts?(score)
        Measures::ControlPause.new(seconds: score.seconds, taken_at: score.at, on_waking: true,
          ended_by: score.ended_by.to_sym, first_breath: score.first_breath.to_sym).valid?
      end

      def set(date, ago, index, standing)
        rounds = @protocol.rounds(standing.dose) / @protocol.sets(standing.dose)
        rough = ROUGH * (@person["chases"] ? 1.6 : 1.0) * (standing.dose[:hold_s] / @newest_pause * 3)
        Progression::Session.new(id: "#{date}-#{index}", date: date, protocol: @protocol.id, dose: standing.dose,
          effort: [2 + @random.rand(3) + ((@random.rand < 0.06) ? 3 : 0), 10].min, symptoms: symptoms(ago, index),
          rounds: Array.new(rounds) { |number| round(number + 1, standing.dose[:hold_s], rough) })
      end

      def symptoms(ago, index)
        return [@person["stopped"][1].to_sym] if @person["stopped"] && ago == @person["stopped"][0] && index.zero?

        (@random.rand < 0.004) ? [:lightheaded] : []
      end

      def round(number, hold_s, rough)
        breath = if @random.rand < rough
          (@random.rand < 0.25) ? :gasp : :deeper
        else
          :smooth
        end
        held = (hold_s + gauss * 0.08).clamp(hold_s * 0.95, hold_s * 1.05)
        Progression::Round.new(number: number, target_s: hold_s, held_s: held, first_breath: breath)
      end

      # A normal deviate, by Box and Muller.
      def gauss = Math.sqrt(-2 * Math.log(1 - @random.rand)) * Math.cos(2 * Math::PI * @random.rand)
    end
  end
end
