# frozen_string_literal: true

# progression.md 6, asked as anybody may ask it: what was found to be milder, or untrue, than the text.
RSpec.describe "What became exact" do
  judge = ->(question) { Windlass::Cli::Judge.call(JSON.generate(question), {}, today: Date.new(2026, 12, 1)) }
  ready = ->(question) do
    Windlass::Cli::Ready.call(JSON.generate({screen: {answered_on: "2026-02-01", age: 30}}.merge(question)), {})
  end
  core = Windlass::Progression
  rules = ->(answer) { answer[:reasons].map { |reason| reason[:rule] } }
  held = ->(breath = "smooth", **more) { {held_s: 60, first_breath: breath, **more} }
  table = ->(rounds, **more) do
    {
      protocol: "co2-table",
      measures: {maximal_hold_s: 120},
      session: {
        date: "2026-03-02",
        effort: 5,
        rounds: rounds
      },
      **more
    }
  end

  it "takes shares of what was done: a hold that was left out never thins a fault" do
    three = [held[], held[], held["gasp"]]

    expect(
      [three, three + [{skipped: true}], three + [{skipped: true}] * 3].map do |rounds|
        judge[table[rounds]][:verdict].to_s
      end
    ).to eq %w[ease] * 3
  end

  it "eases after gasps to a shorter hold, where one lies below; after a hard effort to the rung below" do
    # Of the ladder from 120 s the holds are 60, 60, 65, 65, 65, 70, …: rung 4 has 65 s, and so has rung 3.
    at = ->(changes, **more) do
      judge[
        table[Array.new(7) { held[held_s: 65, **changes] }, rung: 4].then do |question|
          question.merge(session: question[:session].merge(more))
        end
      ][
        :rung
      ]
    end

    expect([at[{first_breath: "gasp"}], at[{}, effort: 9]]).to eq [1, 3]
  end

  it "counts the hardest effort of a day's sets, whatever is missing in another" do
    day = ->(effort) do
      {
        protocol: "small-holds",
        measures: {control_pause_s: 3},
        rung: 3,
        session: {
          date: "2025-04-16",
          rounds: [{held_s: 1.5}],
          **effort
        },
        history: [{date: "2025-04-16", rung: 3, effort: 9, rounds: [{held_s: 1.5}]}]
      }
    end

    expect([{}, {effort: 6}].map { |effort| judge[day[effort]][:verdict] }).to eq %i[ease ease]
  end

  it "takes what is clean from the rules: each that says so breaks a row" do
    outcomes =
      [held["deeper"], held[nil, held_s: 70], {skipped: true}, held[nil, sao2_low: 0.7]].map do |odd|
        yesterday = {date: "2026-03-01", rung: 0, effort: 5, rounds: [held[]] * 5 + [odd]}
        judge[table[[held[]] * 6, history: [yesterday]]][:verdict]
      end

    # One breath of six deeper is clean; each of the others spoils its session.
    expect(outcomes).to eq %i[advance repeat repeat repeat]
    expect(core::Rules::ALL.reject(&:spoils?).map(&:id)).to eq %w[repeat.count repeat.ramp repeat.top advance.clean]
  end

  it "asks of the seven days that end today and of the seven before them" do
    eight_days_of = ->(ago) { {date: (Date.new(2026, 3, 2) - ago).to_s, rung: 0, effort: 8, rounds: [held[]] * 6} }
    history = [28, 20, 7, 5, 3, 2].map(&eight_days_of) + [eight_days_of[1].merge(effort: 5)]

    expect(rules[judge[table[[held[]] * 6, history: history]]]).to eq ["repeat.ramp"]
  end

  it "reads doses of the past, so that a pattern of one's own can be clean twice" do
    own = {hold_s: 50, first_rest_s: 90, rest_step_s: 10, rest_floor_s: 30, rounds: 6}
    rounds = [held[nil, held_s: 50, first_breath: "smooth"]] * 6
    before = ->(dose) { {date: "2026-03-01", effort: 5, rounds: rounds, dose: dose}.compact }
    asked = ->(dose) { table[rounds, history: [before[dose]]].merge(dose: own) }

    expect(
      [own, nil, own.merge(rounds: 5)].map { |dose| judge[asked[dose]][:reasons].first[:text][/\d (of|in)/] }
    ).to eq ["2 in", "1 of", "1 of"]
  end

  it "calls no hold held that nobody marked: it counts in the ramp, and toward nothing else" do
    session = ->(marked) do
      core::Session.new(
        id: 1,
        date: Builders::MONDAY,
        protocol: "own-pace",
        dose: {minutes: 3},
        effort: 3,
        seconds_done: 180,
        rounds:
          Array.new(8) do |index|
            core::Round.new(number: index + 1, held_s: 2, first_breath: :smooth, unmarked: index >= marked)
          end
      )
    end
    standing = core::Standing.of(Windlass::Protocols.find("own-pace"), measures)
    fired = ->(marked) { core::Judge.judge(session[marked], history: [], standing: standing).reasons.map(&:rule) }

    expect([0, 3, 4, 8].map(&fired)).to eq [
      ["repeat.unmarked"],
      ["repeat.unmarked"],
      ["repeat.count"],
      ["repeat.count"]
    ]
    expect([session[0].hold_seconds, core::Evidence.new(session[0]).done.size]).to eq [16, 0]
    expect(core::Evidence.new(session[0].with(symptoms: [:nausea])).easing_symptoms).to eq [:nausea]
  end

  it "counts no hiss of whose ribs nobody says how they were; for one exhale or for all of them is enough" do
    hiss = ->(ribs, rounds = {}) do
      {
        protocol: "hiss-ladder",
        session: {
          date: "2026-03-02",
          effort: 4,
          ribs: ribs,
          rounds: Array.new(6) { |index| {held_s: 20, **rounds.fetch(index, {})} }
        }
      }
    end

    answers =
      [hiss[nil], hiss["always"], hiss["mostly"], hiss["no"], hiss[nil, {0 => {ribs: "wide"}}]].map do |asked|
        rules[judge[asked]].first
      end
    expect(answers).to eq %w[repeat.unfinished repeat.count repeat.count repeat.uneven repeat.count]
  end

  it "keeps a reduced dose reduced when a new measure comes: nothing of the new one is harder" do
    family = Windlass::Protocols.find("single-hold")
    old = core::Standing.of(family, measures(24, maximal_hold_s: 40.1), limits: {holds: 1}).halved
    anew =
      core::Standing.of(family, measures(24, maximal_hold_s: 100), dose: old.dose, reduced: true, limits: {holds: 1})

    expect([old.dose.values_at(:hold_s, :holds), anew.dose.values_at(:hold_s, :holds)]).to eq [[20, 1], [20, 1]]
  end

  it "spares three slow deep breaths before a dry drill; before water, and before tables, none" do
    drill, other = %w[full-breath co2-table].map { |id| Windlass::Protocols.find(id) }
    few = {hold_s: 10, breaths: 3}
    expect(
      [
        drill.spares?(few),
        drill.spares?(few.merge(leads: 4, lead_size: "big")),
        drill.spares?(few.merge(leads: 2, lead_size: "big", lead_in_s: 1, lead_out_s: 1)),
        other.spares?({hold_s: 60, first_rest_s: 120, rest_step_s: 15, rest_floor_s: 30, rounds: 6})
      ]
    ).to eq [true, false, false, false]

    past = core::Outline.new(id: 1, date: Builders::MONDAY, protocol: "full-breath", dose: few, washout: 3.4)
    at = ->(id, **more) do
      core::Readiness.of(
        core::Situation.new(
          date: Builders::MONDAY,
          activity: core.activity(id),
          watcher: "Ada",
          screen: Windlass::Screening::Screen.new(answered_on: Builders::MONDAY, age: 30),
          history: [past],
          **more
        )
      ).reasons
    end
    expect(
      [at["full-breath", standing: core::Standing.of(drill, measures), forecast_washout: 3.4], at["water"].map(&:text)]
    ).to eq [[], ["Full-breath drill, 3.4 mmHg of carbon dioxide washed out today: no water, no cold immersion."]]
  end

  it "lets short loaded sets come with every workout while the newest ended calm, and keeps everything else as far " \
    "away as ever" do
    loaded = ->(breath, rung = 2, **more) do
      {
        protocol: "loaded-holds",
        measures: {maximal_hold_s: 90},
        rung: rung,
        date: "2026-03-02",
        history: [{date: "2026-03-02", rung: 2, effort: 6, rounds: [{held_s: 15, first_breath: breath}], **more}]
      }
    end
    states =
      [loaded["smooth"], loaded["deeper"], loaded["smooth", 2, protocol: "single-hold"]].map do |asked|
        ready[asked][:ready]
      end

    expect(states).to eq %i[yes wait wait]
    expect(
      ready[
        loaded["smooth"].merge(
          protocol: "single-hold",
          rung: 0,
          history: [{date: "2026-03-01", protocol: "loaded-holds", rounds: [{held_s: 15, first_breath: "smooth"}]}]
        )
      ][
        :ready
      ]
    ).to eq :wait
  end

  it "answers alike in whatever zone a moment is written, and lets no session of tomorrow lift what time off leaves" do
    moment = ->(now) do
      ready[
        {
          date: "2025-11-25",
          protocol: "single-hold",
          measures: {maximal_hold_s: 120},
          screen: {answered_on: "2025-10-26"},
          now: now,
          history: [{date: "2025-11-23"}]
        }
      ][
        :ready
      ]
    end
    expect(%w[2025-11-26T10:12:00+14:00 2025-11-25T20:12:00+00:00 2025-11-25T08:12:00-12:00].map(&moment)).to eq %i[
      wait wait wait
    ]

    away = ->(history) do
      ready[
        {
          date: "2024-03-31",
          now: "2024-03-31T14:40:00Z",
          protocol: "co2-table",
          rung: 3,
          measures: {maximal_hold_s: 120},
          screen: {answered_on: "2024-03-01"},
          history: [{date: "2024-02-01"}, *history]
        }
      ]
    end
    expect(away[[{date: "2024-04-01", ended_at: "2024-04-01T04:26:00+14:00"}]].slice(:rung, :ready)).to eq away[
         []
       ].slice(:rung, :ready)
  end

  it "says of each rule when that one no longer binds, and the latest first" do
    answer =
      ready[
        {
          date: "2026-03-02",
          protocol: "single-hold",
          measures: {maximal_hold_s: 120},
          stopped: "Chest pain.",
          illness: {last_day: "2026-03-10"},
          history: [{date: "2026-03-01", protocol: "loaded-holds"}]
        }
      ]

    expect(answer[:reasons].map { |reason| [reason[:rule], reason[:lifts]] }).to eq [
      ["block.suspended", "Until a clinician has cleared it."],
      ["back.illness", "Not before 18 March 2026."],
      ["wait.strenuous", "Not before 3 March 2026."]
    ]
  end

  it "leaves quiet breathing with nothing narrowed where the chest is tight, with its caution, and nothing else" do
    state = ->(id, **more) do
      ready[
        {
          date: "2026-03-02",
          protocol: id,
          today: ["wheezy"],
          watcher: "Ada",
          measures: {
            control_pause_s: 20,
            maximal_hold_s: 100
          },
          **more
        }
      ]
    end

    expect(%w[quiet-breathing belly-drill small-holds water cold].map { |id| state[id][:ready] }).to eq %i[
      yes block block block block
    ]
    expect(
      state["quiet-breathing"][:reasons].first[:text]
    ).to start_with "Wheezy or tight in the chest: the reliever first"
    expect(Windlass::Protocols.find("quiet-breathing").narrowed?({form: "throat"})).to be true
  end
end
