# frozen_string_literal: true

# progression.md 3: every rule on a day on which it fires, and at the edge at which it does not.
RSpec.describe Windlass::Progression::Readiness do
  today = Date.new(2026, 3, 16)
  core = Windlass::Progression
  open_screen = Windlass::Screening::Screen.new(answered_on: today - 30, age: 30)

  define_method(:standing_of) do |id, rung = 3|
    Windlass::Progression::Standing.of(Windlass::Protocols.find(id), measures(maximal_hold_s: 120)).at(rung)
  end

  # @param id [String] of a protocol or an activity
  define_method(:situation) do |id = "co2-table", date: today, **changes|
    activity = core.activity(id)
    standing = activity.is_a?(core::Activity) ? nil : standing_of(id)
    core::Situation.new(
      date: date,
      activity: activity,
      standing: standing,
      screen: open_screen,
      watcher: "Ada",
      measures: measures(maximal_hold_s: 120),
      **changes
    )
  end

  # A session that held something, so many days ago.
  define_method(:past) do |id, days, **changes|
    core::Session.new(
      id: "#{id} #{days}",
      date: today - days,
      protocol: id,
      dose: {},
      seconds_done: 60,
      **changes,
      rounds: [core::Round.new(number: 1, target_s: 30, held_s: 30, first_breath: :smooth)]
    )
  end

  define_method(:mornings) do |newest, before: Array.new(5, 24), newest_on: today|
    scores = before.each_with_index.map { |seconds, back| control_pause(seconds, on: newest_on - 1 - back) }
    Windlass::Measures::MorningSeries.new([control_pause(newest, on: newest_on), *scores])
  end

  def fired(...) = described_class.of(situation(...)).reasons.map(&:rule)

  # rule => [[what fires it], [the edge at which it does not]]
  cases = {
    "block.screening" => [
      ["co2-table", {screen: [today << 12, []]}],
      ["co2-table", {screen: [(today << 12) + 1, []]}]
    ],
    "block.suspended" => [
      ["co2-table", {stopped: "A stop is open: blackout."}],
      ["quiet-breathing", {stopped: "A stop is open: blackout."}]
    ],
    "block.resting" => [["small-holds", {resting_until: today + 1}], ["small-holds", {resting_until: today}]],
    "block.today" => [["hiss-ladder", {answers: %i[faint]}], ["hiss-ladder", {answers: %i[water_today]}]],
    "block.water" => [
      ["bellows", {answers: %i[water_today]}],
      ["co2-table", {answers: %i[water_today], forecast_washout: 2.9}]
    ],
    "block.movement" => [
      ["small-holds", {movement_fault: "Paradoxical breathing: the belly sinks as the chest rises."}],
      ["belly-drill", {movement_fault: "Paradoxical breathing: the belly sinks as the chest rises."}]
    ],
    "block.cold" => [["small-holds", {history: [["cold", 0]]}], ["quiet-breathing", {history: [["cold", 0]]}]],
    "block.buddy" => [["o2-table", {watcher: " "}], ["co2-table", {watcher: nil}]],
    "block.care" => [["co2-table", {care: true, oximeter: false}], ["co2-table", {care: true, oximeter: true}]],
    "wait.strenuous" => [
      ["single-hold", {history: [["loaded-holds", 1]]}],
      ["single-hold", {history: [["loaded-holds", 2], ["co2-table", 1]]}]
    ],
    "wait.maximal" => [
      ["maximal-test", {history: [["maximal-test", 6]]}],
      ["maximal-test", {history: [["maximal-test", 7], ["o2-table", 3]]}]
    ],
    "wait.day" => [
      ["counted-recovery", {history: [["co2-table", 0]]}],
      ["counted-recovery", {history: [["co2-table", 1], ["small-holds", 0]]}]
    ],
    "light.control_pause" => [["small-holds", {mornings: [18]}], ["small-holds", {mornings: [18.1]}]],
    "back.illness" => [
      ["co2-table", {illness: [4, false], history: [["co2-table", 5]]}],
      ["co2-table", {illness: [4, false], history: [["co2-table", 3]]}]
    ],
    "back.layoff" => [
      ["co2-table", {history: [["co2-table", 11]]}],
      ["co2-table", {history: [["co2-table", 10], ["o2-table", 2]]}]
    ]
  }

  # Plain lists of a case as values.
  define_method(:given) do |id, changes|
    values =
      changes.to_h do |key, value|
        case key
        when :screen
          [key, Windlass::Screening::Screen.new(answered_on: value[0], age: 30, conditions: value[1])]
        when :history
          [key, value.map { |one| past(*one) }]
        when :mornings
          [key, mornings(*value)]
        when :illness
          [key, core::Illness.new(last_day: today - value[0], chest: value[1])]
        else
          [key, value]
        end
      end
    [id, values]
  end

  cases.each do |rule, (fires, edge)|
    it "#{rule} fires, and does not at its edge" do
      id, values = given(*fires)
      expect(fired(id, **values)).to include rule
      id, values = given(*edge)
      expect(fired(id, **values)).not_to include rule
    end
  end

  it "block.screening: over half of the maximal hold is long at 16 and 17, exactly half is not, and from 18 on " \
    "neither" do
    of = ->(age, hold_s) do
      standing = standing_of("single-hold")
      screen = Windlass::Screening::Screen.new(answered_on: today - 30, age: age, guardian_consent_on: today - 30)
      described_class
        .of(
          situation("single-hold", screen: screen).with(
            standing: standing.with(dose: standing.dose.merge(hold_s: hold_s))
          )
        )
        .reasons
        .map(&:text)
        .join
    end
    expect([of[17, 61], of[17, 60], of[18, 61]].map { |words| words.include?("half") }).to eq [true, false, false]
  end

  it "names the newest maximal test, and only a session of its own ends what an illness left" do
    twice = described_class.of(situation("maximal-test", history: [past("maximal-test", 6), past("maximal-test", 3)]))
    expect([twice.reasons.first.text, twice.reasons.first.lifts]).to eq [
      "The last maximal test was on 13 March 2026.",
      "Not before 20 March 2026."
    ]
    ill = core::Illness.new(last_day: today - 5, chest: false)
    expect(
      %w[co2-table small-holds].map do |id|
        fired("co2-table", illness: ill, history: [past(id, 1)]).include?("back.illness")
      end
    ).to eq [false, true]
  end

  it "has a case for every rule" do
    expect(cases.keys).to match_array described_class::ALL.map(&:id)
  end

  it "says yes where nothing fires, at the rung where they stand" do
    ready = described_class.of(situation(history: [past("co2-table", 2)]))

    expect([ready.state, ready.reasons, ready.standing.rung, ready.go?]).to eq [:yes, [], 3, true]
  end

  it "lets the strongest win, lists every reason, strongest first, and says what lifts each" do
    ready =
      described_class.of(situation("o2-table", watcher: nil, history: [past("single-hold", 1)], mornings: mornings(10)))

    expect([ready.state, ready.reasons.map(&:rule)]).to eq [:block, %w[block.buddy wait.strenuous light.control_pause]]
    expect(ready.reasons.map(&:lifts)).to eq [
      "Until somebody is named.",
      "Not before 17 March 2026.",
      "Until a morning score is as usual again."
    ]
  end

  it "keeps over-breathing and water apart by the hour, and by the day" do
    ended = Time.new(2026, 3, 15, 22)
    water = ->(now) do
      described_class.of(
        situation("water", now: now, date: now.to_date, history: [past("deep-rounds", 1, ended_at: ended)])
      )
    end

    expect([water[ended + 12 * 3600 - 1].state, water[ended + 12 * 3600].state]).to eq %i[block yes]
    expect(
      described_class.of(
        situation("water", now: ended, date: today - 1, history: [past("bellows", 1, ended_at: ended - 15 * 3600)])
      ).state
    ).to eq :block
    expect(
      described_class.of(situation("water", history: [past("full-breath", 0, washout: 3.0)])).reasons.first.lifts
    ).to eq "Not before 17 March 2026."
    expect(fired("ratio", answers: %i[water_today], forecast_washout: 3.0)).to eq ["block.water"]
  end

  it "waits 48 hours to the minute where the times are known" do
    ended = Time.new(2026, 3, 14, 18, 30)
    ready = ->(now) do
      described_class.of(situation("single-hold", now: now, history: [past("o2-table", 2, ended_at: ended)]))
    end

    expect(ready[ended + 48 * 3600 - 60].reasons.map(&:lifts)).to eq ["Not before 16 March 2026 at 18:30."]
    expect(ready[ended + 48 * 3600].state).to eq :yes
  end

  # The evening of 16 March: what was done on the 14th at an hour that is not known may have ended at midnight.
  it "takes an hour that is not known for the latest of its day" do
    ready = ->(day, hour) do
      described_class.of(
        situation(
          "single-hold",
          date: day,
          now: Time.new(day.year, day.month, day.day, hour),
          history: [past("o2-table", 2)]
        )
      )
    end

    expect([ready[today, 23].state, ready[today, 23].reasons.first.lifts, ready[today + 1, 0].state]).to eq [
      :wait,
      "Not before 17 March 2026.",
      :yes
    ]
  end

  it "minds over-breathing before water whether anything was held or not; what never ran is none" do
    skipped = ->(seconds) do
      [core::Session.new(id: 1, date: today, protocol: "deep-rounds", dose: {}, rounds: [], seconds_done: seconds)]
    end

    expect([skipped[300], skipped[nil], skipped[0]].map { |history| fired("water", history: history) }).to eq [
      ["block.water"],
      ["block.water"],
      []
    ]
  end

  it "lets over-breathing be done once a day, by whatever name" do
    expect(fired("bellows", history: [past("deep-rounds", 0)])).to eq ["wait.day"]
    expect(fired("bellows", history: [past("deep-rounds", 1)])).to eq []
    expect(fired("ratio", forecast_washout: 3.2, history: [past("co2-table", 0, washout: 3.1)])).to eq ["wait.day"]
    expect(fired("ratio", forecast_washout: 2.9, history: [past("bellows", 0)])).to eq []
  end

  it "keeps limits, outlook and cap of who comes back after a long time off" do
    deep = Windlass::Protocols.find("deep-rounds")
    outlook = core::Outlook.new(body)
    standing = core::Standing.of(deep, measures, outlook: outlook, limits: {rounds: 2})
    ready = described_class.of(situation("deep-rounds", history: [past("deep-rounds", 50)]).with(standing: standing))

    expect([ready.dose[:cap_s], ready.standing.ladder.rungs.map { |dose| dose[:rounds] }.uniq]).to match [
      be_between(20, 60),
      [2]
    ]
  end

  it "does not run carbon-dioxide tables three days running" do
    expect(fired(history: [past("co2-table", 1), past("co2-table", 2)])).to eq ["wait.day"]
    expect(fired("counted-recovery", history: [past("co2-table", 1), past("co2-table", 2)])).to eq []
  end

  describe "a light day" do
    it "shortens holds by a fifth, down to 5 s, and rounds to two thirds, up; small holds in half seconds" do
      light = ->(id, dose) { Windlass::Protocols.find(id).lightened(dose) }
      co2 = {hold_s: 65, first_rest_s: 110, rest_step_s: 15, rest_floor_s: 30, rounds: 7}

      expect(light["co2-table", co2]).to eq co2.merge(hold_s: 50, rounds: 5)
      expect(light["small-holds", {hold_s: 6, minutes: 5, sets: 2}]).to eq({hold_s: 4.5, minutes: 4, sets: 2})
      expect(described_class.of(situation(mornings: mornings(15))).dose).to eq light["co2-table", situation.dose]
    end

    it "needs five scores, three seconds, a measure that is in use and no expected fall; yesterday's score is new " \
      "enough" do
      paused = Windlass::Measures::Context.new(use: :paused)
      falling = Windlass::Measures::Context.new(sleep_signs: true)

      expect(fired("small-holds", mornings: mornings(15, before: [24] * 4))).to eq []
      expect(fired("small-holds", mornings: mornings(7.1, before: [10] * 5))).to eq []
      expect(
        [paused, falling].flat_map { |context| fired("small-holds", mornings: mornings(15), context: context) }
      ).to eq []
      expect([1, 2].map { |back| fired("small-holds", mornings: mornings(15, newest_on: today - back)) }).to eq [
        ["light.control_pause"],
        []
      ]
    end

    it "leaves out what is strenuous" do
      expect(described_class.of(situation("single-hold", mornings: mornings(15))).state).to eq :wait
    end
  end

  describe "coming back" do
    def back(id = "co2-table", last_day: 4, chest: false, last: 20, **changes)
      illness = Windlass::Progression::Illness.new(last_day: Date.new(2026, 3, 16) - last_day, chest: chest)
      described_class.of(situation(id, illness: illness, history: [past(id, last)], **changes))
    end

    it "from illness: three days free first, then two rungs lower, nothing strenuous for 7 days, 14 after a chest " \
      "illness" do
      expect([back(last_day: 3).state, back(last_day: 4, last: 8).standing.rung]).to eq [:wait, 1]
      expect([7, 8].map { |days| back("single-hold", last_day: days, last: 9).state }).to eq %i[wait yes]
      expect([14, 15].map { |days| back("single-hold", last_day: days, chest: true, last: 20).state }).to eq %i[
        wait
        yes
      ]
    end

    it "from time off: one rung, two, or rung 0 of a ladder from eight tenths of the old measure" do
      rungs =
        [11, 21, 22, 42].map { |days| described_class.of(situation(history: [past("co2-table", days)])).standing.rung }
      anew = described_class.of(situation(history: [past("co2-table", 43)]))

      expect(rungs).to eq [2, 2, 1, 1]
      expect([anew.state, anew.standing.rung, anew.dose[:hold_s]]).to eq [:yes, 0, 45]
    end

    it "takes the lowest rung of all that fired" do
      expect(back(last_day: 4, last: 43).dose[:hold_s]).to eq 45
    end
  end
end
