# frozen_string_literal: true

# Whatever is asked, tried on many questions that chance makes from a seed: an answer, or faults with their path.
RSpec.describe Windlass::Cli do
  families = Windlass::Protocols::ALL.map(&:id)
  symptoms = Windlass::Progression::Symptoms::ALL.keys.map(&:to_s)
  conditions = Windlass::Screening::MATRIX.conditions.map { |one| one.id.to_s }
  rubbish = [nil, -1, 1e12, "soon", [], {}, true, "2026-02-30", 0.1, "\u0000"]

  def ask(command, input)
    stdout, stderr = StringIO.new, StringIO.new
    status = described_class.run([command], stdin: StringIO.new(JSON.generate(input)), stdout: stdout, stderr: stderr)
    [status, status.zero? ? JSON.parse(stdout.string) : stderr.string.lines.map(&:chomp)]
  end

  define_method(:some) { |random, *choices| choices.sample(random: random) }

  define_method(:random_day) { |random| (Date.new(2026, 3, 2) - random.rand(0..70)).iso8601 }

  define_method(:random_round) do |random|
    {
      target_s: some(random, nil, 30, 60),
      held_s: some(random, nil, 0, 20, 60, 61.5),
      first_breath: some(random, nil, "smooth", "deeper", "gasp"),
      skipped: some(random, true, false, false),
      sao2_low: some(random, nil, nil, 0.7, 0.9)
    }
  end

  define_method(:random_session) do |random|
    {
      id: random.rand(9),
      date: random_day(random),
      protocol: families.sample(random: random),
      rung: random.rand(0..30),
      effort: some(random, nil, 3, 8.5, 10),
      symptoms: symptoms.sample(random.rand(0..2), random: random),
      light: some(random, true, false),
      seconds_done: some(random, nil, 0, 400),
      rounds: Array.new(random.rand(0..6)) { random_round(random) }
    }
  end

  define_method(:random_measures) do |random|
    {
      control_pause_s: some(random, nil, 4, 12.5, 25, 60),
      maximal_hold_s: some(random, nil, 30, 45, 120, 301),
      sustained_exhale_beats: some(random, nil, 9, 40),
      control_pause_paused: some(random, true, false),
      morning_control_pauses:
        Array.new(random.rand(0..8)) { {date: random_day(random), seconds: random.rand(4.0..50.0)} }
    }
  end

  athlete = {sex: "female", age: 30, height_cm: 165, mass_kg: 58}.freeze

  define_method(:random_question) do |command, random|
    question = {
      protocol: families.sample(random: random),
      rung: random.rand(0..12),
      measures: random_measures(random)
    }
    question[:athlete] = athlete if random.rand < 0.15
    history = Array.new(random.rand(0..8)) { random_session(random) }
    case command
    when "ladder"
      question.except(:rung)
    when "judge"
      question.merge(
        session: random_session(random).except(:protocol, :rung),
        history: history,
        reduced: some(random, true, false)
      )
    when "ready"
      question.merge(
        date: "2026-03-02",
        history: history,
        today: some(random, [], ["wheezy"]),
        water_today: some(random, true, false),
        watcher: some(random, nil, "Ada"),
        illness: some(random, nil, {last_day: random_day(random), chest: true}),
        screen: {
          answered_on: some(random, nil, random_day(random)),
          age: random.rand(8..80),
          conditions: conditions.sample(random.rand(0..2), random: random)
        }
      )
    else
      question
    end
  end

  # One value somewhere in it is not as it should be.
  define_method(:spoilt) do |question, random|
    key = question.keys.sample(random: random)
    question.merge(key => rubbish.sample(random: random))
  end

  %w[plan ladder judge ready].each do |command|
    it "#{command} answers, or says what is wrong with which value" do
      statuses =
        Array.new(Many.of(120)) do |seed|
          random = Random.new(seed)
          question = random_question(command, random)
          status, answer = ask(command, (seed % 3 == 2) ? spoilt(question, random) : question)
          expect([0, 1]).to include(status), "#{status} of #{question}"
          expect(answer).to all(match(/\A[a-z_\[\]\d.]+: \S/)), "#{answer} of #{question}" if status == 1
          status
        end

      expect(statuses.tally.keys).to match_array [0, 1]
    end
  end
end
