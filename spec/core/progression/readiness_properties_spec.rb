# frozen_string_literal: true

# What must hold of any day, for any family, tried on many that chance makes from a seed.
RSpec.describe Windlass::Progression::Readiness do
  core = Windlass::Progression
  today = Date.new(2026, 3, 16)
  seeds = Array.new(250) { |seed| seed }
  families = Windlass::Protocols::ALL
  conditions = Windlass::Screening::MATRIX.conditions.map(&:id)

  define_method(:random_past) do |random, family|
    days = random.rand(0..60)
    core::Session.new(
      id: random.rand(10**9),
      date: today - days,
      protocol: [family.id, families.sample(random: random).id, "maximal-test"].sample(random: random),
      dose: {},
      seconds_done: 300,
      ended_at: [nil, Time.new(2026, 3, 16, 12) - days * 86_400 - random.rand(1..7200)].sample(random: random),
      washout: [nil, 2.0, 5.0].sample(random: random),
      rounds: [core::Round.new(number: 1, target_s: 20, held_s: [20, nil].sample(random: random))]
    )
  end

  define_method(:random_situation) do |random|
    family = families.sample(random: random)
    values =
      measures(random.rand(4..60), maximal_hold_s: random.rand(40..300), sustained_exhale_beats: random.rand(8..40))
    standing = core::Standing.of(family, values)&.at(random.rand(0..9))
    standing = standing.at(0).halved if standing&.at(0)&.halvable? && random.rand < 0.2
    screen =
      Windlass::Screening::Screen.new(
        answered_on: today - random.rand(0..300),
        age: random.rand(10..80),
        guardian_consent_on: today - 10,
        conditions: conditions.sample([0, 0, 0, 1, 2].sample(random: random), random: random)
      )
    core::Situation.new(
      date: today,
      now: Time.new(2026, 3, 16, 13),
      activity: family,
      screen: screen,
      standing: standing,
      measures: values,
      watcher: [nil, "Ada"].sample(random: random),
      answers: core::TodaysQuestions::ALL.keys.sample([0, 0, 1].sample(random: random), random: random),
      history: Array.new(random.rand(0..5)) { random_past(random, family) },
      mornings: random_mornings(random),
      illness: [nil, nil, core::Illness.new(last_day: today - random.rand(0..20), chest: random.rand < 0.5)].sample(
        random: random
      )
    )
  end

  define_method(:random_mornings) do |random|
    Windlass::Measures::MorningSeries.new(
      Array.new(random.rand(0..16)) { |back| control_pause(random.rand(8.0..40.0), on: today - back) }
    )
  end

  define_method(:each_day) do |&block|
    seeds.each do |seed|
      random_situation(Random.new(seed)).then { |situation| block.call(situation, described_class.of(situation)) }
    end
  end

  it "is as strict as its strongest reason, and every no says why and what lifts it" do
    each_day do |_, ready|
      expect(ready.state).to eq(
        ready.reasons.map(&:state).min_by { |state| core::Readiness::STATES.index(state) } || :yes
      )
      expect(ready.reasons.map(&:text)).to all(match(/\A[A-Z0-9].*\.\z/))
      expect(ready.reasons.reject(&:go?).map(&:lifts)).to all(match(/\A[A-Z].*\.\z/))
    end
  end

  it "never asks for more than the athlete's own rung: no lever harder, no hold longer, no more of them" do
    each_day do |situation, ready|
      next if situation.standing.nil?

      protocol = situation.activity
      expect(ready.standing).not_to be_harder(situation.standing)
      expect(protocol.hold_seconds(ready.dose)).to be <= protocol.hold_seconds(situation.dose)
      # At one's own pace a length is only expected.
      unless protocol.compile(ready.dose).own_pace?
        expect(protocol.longest_hold_s(ready.dose)).to be <= protocol.longest_hold_s(situation.dose)
      end
      expect(protocol.faults(ready.dose)).to eq({})
    end
  end

  it "is never made milder by a stop, a rest, an answer that bars, or the want of a screening" do
    worse = [
      {stopped: "A stop is open."},
      {resting_until: today + 3},
      {watcher: nil},
      {screen: Windlass::Screening::Screen.new(answered_on: nil, age: 30)}
    ]
    each_day do |situation, ready|
      before = core::Readiness::STATES.index(ready.state)
      after =
        [
          *worse,
          {answers: situation.answers | %i[unwell]},
          {answers: situation.answers | %i[wheezy]}
        ].map { |change| core::Readiness::STATES.index(described_class.of(situation.with(**change)).state) }
      expect(after).to all(be <= before)
    end
  end

  it "leaves quiet breathing open, whatever else is so" do
    quiet = Windlass::Protocols.find("quiet-breathing")
    each_day do |situation, _|
      changed =
        situation.with(
          activity: quiet,
          standing: core::Standing.of(quiet, situation.measures),
          stopped: "A stop is open.",
          answers: %i[unwell faint]
        )
      blocking = described_class.of(changed).reasons.select { |reason| reason.state == :block }
      expect(blocking).to eq []
    end
  end

  it "does not care in which order history comes, what comes twice, nor for what is yet to come" do
    each_day do |situation, ready|
      later =
        situation.history.map do |past|
          past.with(id: "later #{past.id}", date: today + 1, ended_at: past.ended_at && past.ended_at + 400 * 86_400)
        end
      shuffled = situation.with(history: (situation.history + later + situation.history).shuffle(random: Random.new(1)))
      expect(described_class.of(shuffled).reasons.map(&:text)).to eq ready.reasons.map(&:text)
    end
  end

  it "begins anew after a long time off, but never above what was done before" do
    easy = {hold_s: 30, first_rest_s: 120, rest_step_s: 15, rest_floor_s: 30, rounds: 4}
    co2 = Windlass::Protocols.find("co2-table")
    values = measures(maximal_hold_s: 120)
    own = core::Standing.of(co2, values, from: easy, dose: easy)
    past =
      core::Session.new(
        id: 1,
        date: today - 50,
        protocol: "co2-table",
        dose: easy,
        rounds: [core::Round.new(number: 1, target_s: 30, held_s: 30)]
      )
    situation =
      core::Situation.new(
        date: today,
        activity: co2,
        standing: own,
        measures: values,
        history: [past],
        screen: Windlass::Screening::Screen.new(answered_on: today, age: 30)
      )

    expect(described_class.of(situation).dose).to eq easy
  end
end
