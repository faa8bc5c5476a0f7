# frozen_string_literal: true

# progression.md 2: every rule once where it fires, and once at the edge where it does not.
RSpec.describe Windlass::Progression::Rules do
  monday = Builders::MONDAY

  def fired(session, history: [], rung: 0) = judge(session, history: history, rung: rung).reasons.map(&:rule)

  # A third of a short session: two holds of a set that a stop cut short.
  edge = {
    "stop.symptom" => [{symptoms: [:lasting_headache]}, {symptoms: [:mild_tingling]}],
    "ease.warning" => [{symptoms: [:panic]}, {symptoms: [:mild_tingling]}],
    "ease.gasps" => [{breaths: {4 => :gasp, 6 => :gasp}}, {breaths: {4 => :gasp}}],
    "ease.short" => [{held: {4 => 4.4, 5 => 4.4}}, {held: {4 => 4.4, 5 => 4.5}}],
    "ease.effort" => [{effort: 9}, {effort: 8.9}],
    "repeat.none" => [{rounds: 0}, {rounds: 1}],
    "repeat.unfinished" => [{rounds: 25}, {rounds: 26}],
    "repeat.gasp" => [{breaths: {4 => :gasp}}, {breaths: {4 => :deeper}}],
    "repeat.short" => [{held: {4 => 4.4}}, {held: {4 => 4.5}}],
    "repeat.effort" => [{effort: 8}, {effort: 7.9}],
    "repeat.over" => [{held: {4 => 5.6}}, {held: {4 => 5.5}}],
    "repeat.deeper" => [{breaths: (1..14).to_h { |n| [n, :deeper] }}, {breaths: (1..13).to_h { |n| [n, :deeper] }}]
  }

  edge.each do |rule, (firing, not_firing)|
    it "#{rule} fires with #{firing} and not with #{not_firing}" do
      expect(fired(day(**firing))).to include rule
      expect(fired(day(**not_firing))).not_to include rule
    end
  end

  it "ease.gasps and ease.short fire on one of three holds or fewer" do
    expect(fired(day(rounds: 3, breaths: {2 => :gasp}))).to include "ease.gasps"
    expect(fired(day(rounds: 4, breaths: {2 => :gasp}))).not_to include "ease.gasps"
    expect(fired(day(rounds: 3, held: {1 => 2}))).to include "ease.short"
  end

  it "ease.saturation fires under 75 %" do
    low = ->(reading) do
      day.then { |one| one.with(rounds: [one.rounds.first.with(sao2_low: reading), *one.rounds.drop(1)]) }
    end

    expect(fired(low[0.74])).to include "ease.saturation"
    expect(fired(low[0.75])).not_to include "ease.saturation"
    expect(judge(low[0.7479]).reasons.map(&:text)).to include "Oximeter down to 75 %: round 1."
  end

  it "leaves weeks without sessions out of the mean, and begins with four weeks" do
    # Two of the four weeks have a day each: 26 holds of 5 s.
    days = [day, day(on: monday - 21), day(on: monday - 28).with(rounds: [])]
    mean = ->(past) { Windlass::Progression::Record.new(days.first, past, standing).weekly_mean_s }

    expect([mean[days.drop(1)], mean[[day(on: monday - 27)]]]).to eq [130, nil]
  end

  it "rest.warnings fires on a second warning within fourteen days, of whatever kind" do
    nausea = ->(days) { [day(on: monday - days, symptoms: [:nausea])] }

    expect(fired(day(symptoms: [:lightheaded]), history: nausea[14])).to include "rest.warnings"
    expect(fired(day(symptoms: [:lightheaded]), history: nausea[15])).not_to include "rest.warnings"
    expect(fired(day, history: nausea[3])).not_to include "rest.warnings"
  end

  it "ease.stuck fires the third time running on a rung, and not after a rung between" do
    trouble = ->(days, rung = 0) { day(on: monday - days, rung: rung, breaths: {3 => :gasp}) }

    expect(fired(trouble[0], history: [trouble[2], trouble[1]])).to include "ease.stuck"
    expect(fired(trouble[0], history: [trouble[3], trouble[2], day(on: monday - 1)])).not_to include "ease.stuck"
    expect(fired(trouble[0], history: [trouble[3], trouble[2, 1], trouble[1]])).not_to include "ease.stuck"
  end

  it "repeat.count holds until two clean sessions in a row; light days neither count nor break it" do
    expect(fired(day)).to eq ["repeat.count"]
    expect(fired(day, history: [day(on: monday - 1)])).to eq ["advance.clean"]
    expect(fired(day, history: [day(on: monday - 2), day(on: monday - 1, light: true, rounds: 3)])).to eq [
      "advance.clean"
    ]
    expect(fired(day, history: [day(on: monday - 2), day(on: monday - 1, effort: 8)])).to eq ["repeat.count"]
  end

  it "repeat.count holds a second step on one day, in whatever order the day comes" do
    today = ->(id, rung, hour) { day(rung: rung).with(id: id, ended_at: Time.new(2026, 3, 2, hour)) }
    history = [today[2, 1, 9], day(on: monday - 1).with(id: 0), today[1, 0, 7]]

    expect(fired(today[3, 1, 12], rung: 1, history: history)).to eq ["repeat.count"]
    expect(
      judge(today[3, 1, 12], rung: 1, history: history).reasons.first.text
    ).to eq "Clean. One step a day: the next one another day."
    expect(fired(today[3, 1, 12], rung: 1, history: [today[2, 1, 9]])).to eq ["advance.clean"]
  end

  it "repeat.ramp holds a step that would pass 1.3 times the weeks before, and lets go after a fortnight" do
    month = [28, 21, 14, 7].map { |ago| day(on: monday - ago, effort: 8) }
    yesterday = day(on: monday - 1)

    expect(fired(day, history: [*month, yesterday])).to eq ["repeat.ramp"]
    expect(fired(day, history: [*month.drop(1), yesterday])).to eq ["advance.clean"]

    # Every day for four weeks: five minutes a set to six is 1.23 times as much.
    steady = (2..28).map { |ago| day(on: monday - ago, rung: 1, effort: 8) }
    expect(fired(day(rung: 1), rung: 1, history: [*steady, day(on: monday - 1, rung: 1)])).to eq ["advance.clean"]

    patient = judge(day, history: [30, 23, 16, 15, 14, 5, 4, 3, 2, 1].map { |ago| day(on: monday - ago) })
    expect(patient.reasons.map(&:text)).to eq [
      "Clean, 11 in a row on this rung. Drop one session this week: the weeks before held less."
    ]
  end

  it "repeat.top asks for a new measure on the top rung" do
    top = standing.ladder.top
    sessions = [1, 0].map { |ago| day(on: monday - ago, rung: top) }

    expect(fired(sessions.last, history: sessions, rung: top)).to eq ["repeat.top"]
    below = [1, 0].map { |ago| day(on: monday - ago, rung: top - 1) }
    expect(fired(below.last, history: below, rung: top - 1)).to eq ["advance.clean"]
  end

  it "ease.mornings fires where the mornings after over-breathing are clearly lower, six of each at least" do
    deep = Windlass::Progression::Standing.of(Windlass::Protocols.find("deep-rounds"), measures(25))
    days = (1..12).map { |week| monday - 3 * week }
    session = ->(on) do
      Windlass::Progression::Session.new(
        id: on.to_s,
        date: on,
        protocol: "deep-rounds",
        dose: deep.dose,
        rounds: [Windlass::Progression::Round.new(number: 1, held_s: 20, first_breath: :smooth)],
        effort: 4
      )
    end
    fired = ->(after, count) do
      scores =
        days.first(count).map { |day| control_pause(after, on: day + 1) } +
        days.map { |day| control_pause(25 + (day.yday % 3), on: day) }
      Windlass::Progression::Judge
        .judge(
          session[monday],
          history: days.map(&session),
          standing: deep,
          mornings: Windlass::Measures::MorningSeries.new(scores)
        )
        .reasons
        .map(&:rule)
    end

    expect([fired[20, 12], fired[26, 12], fired[20, 5]].map { |rules| rules.include?("ease.mornings") }).to eq [
      true,
      false,
      false
    ]
  end

  it "lists every file of the folder once, strongest verdict first" do
    files =
      Dir[File.expand_path("../../../lib/windlass/progression/rules/*.rb", __dir__)].map do |path|
        File.basename(path, ".rb")
      end
    order = described_class::ALL.map { |rule| Windlass::Progression::VERDICTS.index(rule.verdict) }

    expect(described_class::ALL.map { |rule| rule.id.tr(".", "_") }).to match_array files
    expect(order).to eq order.sort
  end
end
