# frozen_string_literal: true

# Histories by chance, asked of the commands as anybody would: a question made worse never gets a milder answer, what a
# refusal says is true, and neither the order of a list nor what comes twice changes anything. Seeded: the same every
# time.
RSpec.describe "Any history" do
  today = Date.new(2026, 3, 16)
  measures = {control_pause_s: 24, maximal_hold_s: 130}.freeze
  zones = %w[-08:00 +00:00 +05:45 +14:00].freeze
  symptoms = %w[nausea lightheaded strong_tingling panic].freeze

  define_method(:ask) do |command, question|
    JSON.parse(JSON.generate(command.call(JSON.generate(question), {})), symbolize_names: true)
  end

  # @return [Array] the answer, the answer to the same made worse, and words of both
  def worsened(command, question, (name, change))
    harder = Marshal.load(Marshal.dump(question)).tap(&change)
    before, after = [question, harder].map { |one| ask(command, one) }
    [before, after, "#{name}: #{before.except(:reasons)} became #{after.except(:reasons)}\n#{JSON.generate(harder)}"]
  end

  define_method(:past) do |random, protocol, ago, rung|
    rounds =
      Array.new(random.rand(0..8)) do
        {
          held_s: [nil, 0, 20, 30, 60].sample(random: random),
          first_breath: [nil, "smooth", "smooth", "deeper", "gasp"].sample(random: random)
        }.compact
      end
    day = today - ago
    {
      date: day.to_s,
      protocol: protocol,
      rung: 0,
      rounds: rounds,
      effort: [nil, 3, 5, 8, 9.5].sample(random: random),
      seconds_done: [0, 90, 900].sample(random: random),
      symptoms: symptoms.sample([0, 0, 0, 1].sample(random: random), random: random),
      washout_mmhg: [nil, nil, 3.4].sample(random: random),
      ended_at: [
        nil,
        "#{day}T#{format("%02d:%02d:36", random.rand(24), random.rand(60))}#{zones.sample(random: random)}"
      ].sample(random: random)
    }.compact
  end

  define_method(:history) do |random, protocol|
    Array.new(random.rand(0..5)) do
      past(random, (random.rand < 0.6) ? protocol : families.sample(random: random).id, random.rand(1..20), 0)
    end
  end

  def families = Windlass::Protocols::ALL.select(&:laddered?)

  # How high an answer leads: quiet breathing lowest, then half of the lowest rung.
  def height(answer) = if answer[:rung].nil?
                         -2
                       else
                         answer[:rung] - (answer[:reduced] ? 1 : 0)
                       end

  describe "judged" do
    verdicts = Windlass::Progression::VERDICTS.map(&:to_s)
    worse = {
      "a symptom" => ->(question) { question[:session][:symptoms] |= ["nausea"] },
      "a symptom that stops" => ->(question) { question[:session][:symptoms] |= ["chest_pain"] },
      "effort of 9" => ->(question) { question[:session][:effort] = [question[:session][:effort].to_f, 9].max },
      "every breath a gasp" => ->(question) do
        question[:session][:rounds].each { |round| round[:first_breath] = "gasp" }
      end,
      "every hold cut short" => ->(question) { question[:session][:rounds].each { |round| round[:held_s] = 1 } },
      "a hold more that was left out" => ->(question) { question[:session][:rounds] += [{skipped: true}] },
      "the effort not noted" => ->(question) do
        question[:session][:effort] = nil if question[:session][:effort].to_f < 8
      end,
      "oxygen low" => ->(question) { question[:session][:rounds].each { |round| round[:sao2_low] = 0.7 } },
      "a warning the week before" => ->(question) do
        question[:history] += [
          {date: (today - 7).to_s, protocol: "quiet-breathing", symptoms: ["nausea"], rounds: []}
        ]
      end
    }

    define_method(:question) do |random|
      family = families.sample(random: random)
      ladder = Windlass::Progression::Ladder.new(family, Windlass::Measures::Values.new(**measures))
      rung = random.rand(0..ladder.top)
      size = Windlass::Protocols.find(family.id).then { |one| one.compile(ladder.rungs[rung]).judged(one.judged).size }
      whole = random.rand < 0.6
      rounds =
        Array.new(whole ? size * ladder.rungs[rung].fetch(:sets, 1) : random.rand(0..size)) do
          {
            held_s: [60, 60, 60, 3].sample(random: random),
            first_breath: %w[smooth smooth smooth deeper gasp].sample(random: random)
          }
        end
      {
        protocol: family.id,
        rung: rung,
        measures: measures,
        history: history(random, family.id),
        session: {
          date: today.to_s,
          effort: random.rand(2..9),
          symptoms: symptoms.sample([0, 0, 1].sample(random: random), random: random),
          rounds: rounds,
          seconds_done: 2000
        }
      }
    end

    it "is never milder when it is made worse" do
      Many.of(700).times do |seed|
        random = Random.new(seed)
        asked = question(random)
        before, after, told = worsened(Windlass::Cli::Judge, asked, worse.to_a.sample(random: random))
        # A clearance begins anew with new measures: where a stop leads is compared by its verdict alone.
        milder =
          verdicts.index(after[:verdict]) > verdicts.index(before[:verdict]) ||
          (after[:verdict] != "stop" && height(after) > height(before))

        expect(milder).to be(false), "#{seed}, #{told}"
      end
    end

    it "does not hang on the order in which it was written, nor on what was written twice with one id" do
      Many.of(300).times do |seed|
        random = Random.new(seed)
        asked = question(random)
        shuffled = asked.merge(history: asked[:history].shuffle(random: random))
        named = asked[:history].each_with_index.map { |one, index| one.merge(id: index) }
        answers =
          [asked, shuffled, asked.merge(history: named), asked.merge(history: named + named.reverse)].map do |one|
            ask(Windlass::Cli::Judge, one).except(:reasons)
          end

        expect(answers.uniq.size).to eq(1), "#{seed}: #{answers.uniq}"
      end
    end
  end

  describe "before a session" do
    states = Windlass::Progression::Readiness::STATES.map(&:to_s)
    worse = {
      "unwell today" => ->(question) { question[:today] = ["unwell"] },
      "a stop" => ->(question) { question[:stopped] = "Blackout." },
      "a blackout in the history" => ->(question) do
        question[:history] += [{date: (today - 2).to_s, protocol: "o2-table", symptoms: ["blackout"]}]
      end,
      "an illness that lasted longer" => ->(question) do
        question[:illness] &&= question[:illness].merge(
          last_day: [Date.parse(question[:illness][:last_day]) + 1, today].min.to_s
        )
      end,
      "no screening" => ->(question) { question[:screen] = {} },
      "a screening dated ahead" => ->(question) { question[:screen][:answered_on] = (today + 1).to_s },
      "fifteen years old" => ->(question) { question[:screen].merge!(age: 15, guardian_consent_on: "2026-01-01") },
      "over-breathing this morning" => ->(question) do
        question[:history] += [{date: today.to_s, protocol: "bellows", rounds: [], seconds_done: 400}]
      end,
      "quiet breathing before" => ->(question) do
        question[:history] += [{date: (today - 1).to_s, protocol: "quiet-breathing", rounds: [], seconds_done: 300}]
      end
    }

    define_method(:question) do |random|
      id = (families.map(&:id) + %w[maximal-test empty-test water water]).sample(random: random)
      {
        date: today.to_s,
        protocol: id,
        measures: measures,
        rung: [0, 0, 2].sample(random: random),
        watcher: "Ada",
        screen: {
          answered_on: "2026-01-05",
          age: [30, 30, 17].sample(random: random),
          guardian_consent_on: "2026-01-05"
        },
        now: [
          nil,
          "#{today}T#{format("%02d:%02d", random.rand(24), random.rand(60))}:00#{zones.sample(random: random)}"
        ].sample(random: random),
        illness: [nil, {last_day: (today - random.rand(0..12)).to_s, chest: random.rand < 0.3}].sample(
          random: random
        ),
        history:
          Array.new(random.rand(0..4)) do
            past(
              random,
              (random.rand < 0.5) ? id : %w[o2-table co2-table bellows deep-rounds maximal-test].sample(random: random),
              random.rand(0..3),
              0
            )
          end
      }.compact
    end

    # The moment that a refusal names, if it names one.
    def named(lifts)
      day, time = lifts.match(/before (\d+ \w+ \d{4})(?: at (\d\d:\d\d))?/)&.captures
      day && [Date.parse(day), time]
    end

    it "is never milder when it is made worse" do
      Many.of(700).times do |seed|
        random = Random.new(seed)
        asked = question(random)
        before, after, told = worsened(Windlass::Cli::Ready, asked, worse.to_a.sample(random: random))
        milder = states.index(after[:ready]) > states.index(before[:ready]) || after[:rung].to_i > before[:rung].to_i

        expect(milder).to be(false), "#{seed}, #{told}"
      end
    end

    it "names in every refusal a moment that is ahead, and at which it has truly gone" do
      tried =
        Array.new(Many.of(1200)) do |seed|
          asked = question(Random.new(seed))
          ask(Windlass::Cli::Ready, asked)[:reasons].count do |reason|
            day, time = named(reason[:lifts].to_s)
            next unless day && reason[:lifts].start_with?("Not before")

            expect(day).to be >= today
            zone = asked[:now].to_s[19..]
            then_asked = asked.merge(date: day.to_s, now: asked[:now] && "#{day}T#{time || "00:00"}:00#{zone}").compact
            left =
              ask(Windlass::Cli::Ready, then_asked)[:reasons]
                .reject { |one| one[:lifts].to_s.start_with?("Until") }
                .map { |one| one[:rule] }
            expect(left).not_to include(reason[:rule]), "#{seed}: #{reason}\n#{JSON.generate(asked)}"
            true
          end
        end

      expect(tried.sum).to be > Many.of(300)
    end
  end
end
