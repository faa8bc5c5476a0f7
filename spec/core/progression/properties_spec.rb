# frozen_string_literal: true

# What must hold for any session, tried on many that chance makes from a seed.
RSpec.describe Windlass::Progression::Judge do
  monday = Builders::MONDAY
  symptoms = Windlass::Progression::Symptoms

  def random_session(random, on:, rung:)
    dose = standing(rung).dose
    rounds =
      Array.new(random.rand(0..small_holds.rounds(dose))) { |index| random_round(random, index + 1, dose[:hold_s]) }
    day(on: on, rung: rung).with(
      id: random.rand(10**9),
      rounds: rounds,
      effort: [nil, *0..10].sample(random: random),
      symptoms: Windlass::Progression::Symptoms::ALL.keys.sample([0, 0, 0, 1, 2].sample(random: random), random: random)
    )
  end

  def random_round(random, number, target)
    Windlass::Progression::Round.new(
      number: number,
      target_s: target,
      skipped: random.rand < 0.05,
      held_s: [nil, target, target, target, target * random.rand(0.3..1.4)].sample(random: random),
      first_breath: [nil, :smooth, :smooth, :smooth, :deeper, :gasp].sample(random: random),
      sao2_low: [nil, nil, random.rand(0.6..0.99)].sample(random: random)
    )
  end

  cases = Array.new(Many.of(300)) { |seed| seed }

  it "always comes to a verdict with a reason, and never leaves the ladder" do
    cases.each do |seed|
      random = Random.new(seed)
      rung = random.rand(0..9)
      history =
        Array.new(random.rand(0..12)) { |ago| random_session(random, on: monday - ago, rung: random.rand(0..9)) }
      verdict = judge(random_session(random, on: monday, rung: rung), history: history, rung: rung)

      expect(verdict.reasons.map(&:text)).to all(match(/\A[A-Z0-9].*\.\z/))
      expect(verdict.verdict).to eq verdict.reasons.first.verdict
      expect(verdict.target.nil? || (0..verdict.from.ladder.top).cover?(verdict.target.rung)).to be true
      expect(verdict.target.rung - rung).to be <= 1 if verdict.target
      expect(verdict.clean).to be true if verdict.verdict == :advance
    end
  end

  it "does not care in which order history comes, nor for what comes twice" do
    cases
      .first(60)
      .each do |seed|
        random = Random.new(seed)
        history = Array.new(8) { |ago| random_session(random, on: monday - 1 - ago, rung: 2) }
        session = random_session(random, on: monday, rung: 2)
        answers =
          [history, history.reverse, history + history, history.shuffle(random: random)].map do |past|
            judge(session, history: past, rung: 2).reasons
          end

        expect(answers.uniq.size).to eq 1
      end
  end

  it "says of each of many days what it would say had it been asked of that one alone" do
    cases
      .first(12)
      .each do |seed|
        random = Random.new(seed)
        days =
          Array
            .new(45) do |ago|
              if random.rand < 0.4
                day(on: monday - ago, rung: 2).with(id: ago)
              else
                random_session(random, on: monday - ago, rung: 2)
              end
            end
            .shuffle(random: random)
        shared = Windlass::Progression::History.of(days)
        alone =
          days.map do |one|
            judge(one, history: days.select { |other| (one.date - 28...one.date).cover?(other.date) }, rung: 2).reasons
          end
        together = days.map { |one| judge(one, history: shared.between(one.date - 28, one.date), rung: 2).reasons }

        expect(together).to eq alone
        expect(together.map { |reasons| reasons.first.verdict }.uniq.size).to be >= 3
      end
  end

  it "is never made milder by one more fault" do
    order = Windlass::Progression::VERDICTS
    worse = [
      ->(session) { session.with(symptoms: session.symptoms | [:nausea]) },
      ->(session) { session.with(symptoms: session.symptoms | [:blackout]) },
      ->(session) { session.with(effort: 10) },
      ->(session) { session.with(rounds: session.rounds.map { |round| round.with(first_breath: :gasp) }) },
      ->(session) { session.with(rounds: session.rounds.map { |round| round.with(sao2_low: 0.6) }) }
    ]
    cases
      .first(100)
      .each do |seed|
        session = random_session(Random.new(seed), on: monday, rung: 3)
        before = order.index(judge(session, rung: 3).verdict)
        after = worse.map { |change| order.index(judge(change[session], rung: 3).verdict) }

        expect(after).to all(be <= before)
      end
  end

  it "stops for every symptom that stops, alone or among others, and for no other" do
    symptoms::ALL.each_key do |symptom|
      verdict = judge(day(symptoms: [:mild_tingling, symptom].uniq), rung: 0).verdict
      expect([symptom, verdict == :stop]).to eq [symptom, symptoms::STOPS.key?(symptom)]
    end
  end
end
