# frozen_string_literal: true

module Windlass
  module Demo
    # Weeks of one invented athlete, day by day: scores with noise, sessions as they went, verdicts as the judge gave
    # them. Deterministic for a seed; the core decides, chance only plays the athlete.
    class Diary
      DAYS = 84
      # Of the sets of a training day, so many have a first breath that is not smooth, when the dose is new.
      ROUGH = 0.035

      Day = Value.define(:date, :score, :pause_s, :works)
      Score = Value.define(:seconds, :at, :ended_by, :first_breath)

      # A day's work on one protocol, and what came of it.
      Work = Value.define(:protocol, :sets, :verdict, :decided, :before, :after)

      # One protocol that is climbed.
      Course = Struct.new(:protocol, :days_a_week, :standing, :resting_until, :name, :from)

      # @param person [Hash] an entry of kestrel_quay.yml
      # @param now [Time]
      # @param random [Random]
      # @param own [Hash{String => Hash}] sessions of the coach's own, by name
      def initialize(person, now:, random:, own: {})
        @person = person
        @now = now
        @today = now.to_date
        @random = random
        @courses =
          [["small-holds", person["trains"]], *person["also"]].map { |id, days| Course.new(Protocols.find(id), days) }
        @courses += @person.fetch("own", []).map { |name, days| own_course(name, days, own.fetch(name)) }
        @history = []
        @newest_pause = nil
      end

      # @return [Array<Day>]
      def days = @days ||= (0...length).to_a.reverse.map { |ago| day(ago) }

      # @return [Array<Course>] where the athlete stands now in each
      def courses = days && @courses.select(&:standing)

      # @return [Integer] seconds of the maximal hold so many days ago
      def maximal_hold_s(ago)
        from, to = @person["maximal_hold"]
        from && (from + (to - from) * (DAYS - ago) / DAYS).round
      end

      def length = @person.fetch("weeks", 12) * 7

      private

      def own_course(name, days, own)
        dose = Protocols.dose(own["dose"])
        Course.new(Protocols.bound(own["protocol"]) { dose }.named(name), days, nil, nil, name, dose)
      end

      def day(ago)
        date = @today - ago
        score = score(date, ago)
        @newest_pause = score.seconds if score && counts?(score)
        due = @courses.select { |course| trains?(course, ago) }
        Day.new(
          date: date,
          score: score,
          pause_s: @newest_pause,
          works: due.filter_map { |course| train(course, date, ago) }
        )
      end

      def train(course, date, ago)
        protocol = course.protocol
        before =
          course.standing =
            Progression::Standing.of(
              protocol,
              values(ago),
              dose: course.standing&.dose,
              reduced: course.standing&.reduced || false,
              from: course.from,
              limits: @person["locks"] ? {locks: true} : {}
            )
        return if before.nil?

        sets = Array.new(protocol.sets(before.dose)) { |index| set(date, ago, index, before) }
        session = Progression::Session.of_day(sets)
        verdict = Progression::Judge.judge(session, history: @history, standing: before)
        @history = (@history + [session]).last(80)
        decided = ago >= 2 || @random.rand < 0.6
        course.standing = verdict.target || before if decided
        course.resting_until = date + 7 if verdict.verdict == :rest
        Work.new(
          protocol: protocol, sets: sets, verdict: verdict, decided: decided, before: before, after: course.standing
        )
      end

      def values(ago)
        Measures::Values.new(
          control_pause_s: @newest_pause,
          maximal_hold_s: maximal_hold_s(ago),
          sustained_exhale_beats: @person["sustained_exhale"]
        )
      end

      def away?(ago) = @person["layoff"] && ago <= @person["layoff"][0] && ago >= @person["layoff"][1]

      def stopped_since(ago) = @person["stopped"] && ago < @person["stopped"][0]

      def resting?(ago) = @courses.any? { |course| course.resting_until && @today - ago < course.resting_until }

      def trains?(course, ago)
        !resting?(ago) && @newest_pause && ago.positive? && !away?(ago) && !stopped_since(ago) && chosen?(course, ago)
      end

      # Small holds by chance; harder work on every so many days, two of them never on one.
      def chosen?(course, ago)
        place = @courses.index(course)
        return @random.rand < course.days_a_week / 7.0 if place.zero?

        (ago + place * 2) % (7.0 / course.days_a_week).round == 0
      end

      # Today's scores come in one by one: some are still missing.
      def score(date, ago)
        return if away?(ago) || @random.rand < (ago.zero? ? 0.3 : 0.12)

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

        {
          "diaphragm" => 0.45, "throat" => 0.25, "wish" => 0.22, "impatience" => 0.04, "distraction" => 0.04
        }.max_by { |_, weight| @random.rand**(1 / weight) }.first
      end

      def first_breath
        pushed = @person["chases"] ? 0.22 : 0.05
        (@random.rand < pushed) ? %w[deeper gasp].sample(random: @random) : "calm"
      end

      def counts?(score)
        Measures::ControlPause.new(
          seconds: score.seconds, taken_at: score.at, on_waking: true, ended_by: score.ended_by.to_sym,
          first_breath: score.first_breath.to_sym
        ).valid?
      end

      def set(date, ago, index, standing)
        protocol = standing.protocol
        timeline = compiled(protocol, standing.dose)
        Progression::Session.new(
          id: "#{date}-#{protocol.id}-#{index}",
          date: date,
          protocol: protocol.id,
          dose: standing.dose,
          effort: [(protocol.once_a_day? ? 4 : 2) + @random.rand(3) + ((@random.rand < 0.05) ? 3 : 0), 10].min,
          symptoms: symptoms(ago, index),
          rounds: rounds(protocol, standing, timeline),
          seconds_done: timeline.total_ms / 1000.0
        )
      end

      # A first breath where the family asks for one; of a sounded exhale how ribs and stream were.
      def rounds(protocol, standing, timeline)
        asked = asked(protocol, standing.dose, timeline)
        protocol
          .judged_parts(timeline)
          .map
          .with_index(1) do |part, number|
            next exhale(part, number) if part.is_a?(Timeline::Compiled::Sounded)

            round(part, number, asked.include?(number) ? rough(protocol, standing) : nil)
          end
      end

      def asked(protocol, dose, timeline)
        case protocol.first_breath
        when :hold
          timeline.holds.to_set(&:number)
        when :end
          timeline.holds.last(1).to_set(&:number)
        when :never
          Set.new
        else
          protocol.asked_after(dose)
        end
      end

      # Now and then one ends before its time.
      def exhale(sound, number)
        whole_s = sound.ms / 1000.0
        Progression::Round.new(
          number: number,
          target_s: whole_s,
          held_s: (@random.rand < 0.03) ? whole_s * 0.8 : whole_s,
          ribs: (@random.rand < 0.06) ? :dropped : :wide,
          stream: (@random.rand < 0.08) ? :flickering : :even
        )
      end

      def compiled(protocol, dose) = (@compiled ||= {})[[protocol.id, dose]] ||= protocol.compile(dose)

      # How often a first breath is not smooth: more where the hold is long for the athlete.
      def rough(protocol, standing)
        share = protocol.longest_hold_s(standing.dose) / (protocol.needs[:maximal_hold_s] ? 60.0 : @newest_pause / 3.0)
        ROUGH * (@person["chases"] ? 1.6 : 1.0) * share.clamp(0.3, 2)
      end

      def symptoms(ago, index)
        return [@person["stopped"][1].to_sym] if @person["stopped"] && ago == @person["stopped"][0] && index.zero?

        (@random.rand < 0.004) ? [:lightheaded] : []
      end

      # @param rough [Float, nil] nil: nobody asks how the first breath was
      def round(place, number, rough)
        breath =
          if rough.nil?
            nil
          elsif @random.rand < rough
            (@random.rand < 0.25) ? :gasp : :deeper
          else
            :smooth
          end
        hold_s = place.segment.seconds.to_f
        held = (hold_s + gauss * 0.08).clamp(hold_s * 0.95, hold_s * 1.05)
        Progression::Round.new(
          number: number,
          target_s: place.segment.open? ? nil : hold_s,
          held_s: held,
          first_breath: breath
        )
      end

      # A normal deviate, by Box and Muller.
      def gauss = Math.sqrt(-2 * Math.log(1 - @random.rand)) * Math.cos(2 * Math::PI * @random.rand)
    end
  end
end
