# frozen_string_literal: true

# What the planner makes of a question: the order of what is wanted, steps, tests, planning anew from a day on.
RSpec.describe Windlass::Programme::Planner do
  programme = Windlass::Programme
  monday = Date.new(2026, 3, 2)
  measures = Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 120)
  standing = ->(id, rung = 0) { Windlass::Progression::Standing.of(Windlass::Protocols.find(id), measures).at(rung) }
  training = ->(id, times, rung = 0) do
    programme::Training.new(key: id, protocol: Windlass::Protocols.find(id), standing: standing[id, rung], times: times)
  end
  slots = ->(*days, at: 420, minutes: 45) do
    days.map { |day| programme::Slot.new(day: day, at_min: at, minutes: minutes) }
  end
  screen = Windlass::Screening::Screen.new(answered_on: monday - 30, age: 30)

  week = programme::Calendar.new(from: monday, weeks: 1, easy_every: nil)

  define_method(:plan) do |trainings, slots, calendar: week, ground: {}, **more|
    described_class.new(
      calendar,
      slots: slots,
      trainings: trainings,
      ground: {screen: screen, measures: measures, history: []}.merge(ground),
      **more
    ).plan
  end

  define_method(:days) do |plan, key = nil|
    plan.sessions.select { |one| key.nil? || one.training.key == key }.map { |one| (one.date - monday).to_i }
  end

  def week(weeks, **more) =
    Windlass::Programme::Calendar.new(from: Date.new(2026, 3, 2), weeks: weeks, easy_every: nil, **more)

  describe "what is wanted" do
    it "is evenness: three sessions of a week, and over the end of a week as well" do
      expect(days(plan([training["small-holds", 3]], slots[*1..7]))).to eq [0, 2, 4]
      over = days(plan([training["small-holds", 2]], slots[*1..7], calendar: week(2)))
      expect(over.each_cons(2).map { |one, other| other - one }).to all(be_between(3, 4))
    end

    it "is nobody left out before another is halved" do
      found = plan([training["co2-table", 4], training["counted-recovery", 2]], slots[1, 3, 5, 6])
      expect(found.sessions.map { |one| one.training.key }.tally).to eq("co2-table" => 2, "counted-recovery" => 2)
      expect(
        found.unplaced.map { |one| [one.training.key, one.missing, one.reasons.map(&:rule).include?("wait.day")] }
      ).to eq [["co2-table", 2, true]]
    end

    it "is over-breathing in the morning, and heavy work before a free day" do
      both = [*slots[1, 2, 3, 4, 5], *slots[1, 2, 3, 4, 5, at: 1080]]
      expect(plan([training["deep-rounds", 2]], both).sessions.map(&:at).uniq).to eq ["07:00"]
      expect(
        plan([training["deep-rounds", 1]], [*slots[2, at: 1080, minutes: 30], *slots[2, minutes: 60]]).sessions.map(
          &:at
        )
      ).to eq ["07:00"]
      expect(days(plan([training["deep-rounds", 1]], [*slots[1, at: 1080], *slots[2]]))).to eq [1]
      expect(days(plan([training["o2-table", 1]], both))).to eq [4]
    end

    it "is what was planned before, where nothing else is better" do
      twice = slots[1, 3, 5]
      usual = days(plan([training["small-holds", 1]], twice))
      other = ([0, 2, 4] - usual).last
      expect(
        days(
          plan(
            [training["small-holds", 1]],
            twice,
            before: [programme::Wish.new(key: "small-holds", date: monday + other, at_min: 420)]
          )
        )
      ).to eq [other]
    end
  end

  describe "what shares a slot" do
    it "comes in the order of the trade, one after the other on whole minutes" do
      shared =
        plan(
          %w[co2-table hiss-ladder quiet-breathing].map do |id|
            programme::Training.new(key: id, protocol: Windlass::Protocols.find(id), standing: standing[id], times: 1)
          end,
          slots[1, minutes: 60]
        ).sessions
      expect(shared.map { |one| one.training.key }).to eq %w[quiet-breathing hiss-ladder co2-table]
      lengths = shared.map { |one| (one.seconds / 60.0).ceil }
      expect(shared.map(&:begins)).to eq [
        "07:00",
        "07:#{format("%02d", lengths[0])}",
        "07:#{format("%02d", lengths[0] + lengths[1])}"
      ]
    end
  end

  describe "expected rungs" do
    it "step after as many sessions as the ladder asks clean ones, say so, and stop at the top" do
      found =
        plan([training["co2-table", 2, 8]], slots[1, 4], calendar: week(5)).sessions.reject { |one| one.training.test? }
      expect(found.map(&:rung)).to eq [8, 8, 9, 9, 10, 10, 10, 10, 10, 10]
      expect(found.map(&:expected)).to eq [false, false, *[true] * 8]
      expect(found.first.reasons.map(&:text)).to eq ["1 of 2 times this week."]
      expect(found[2].reasons.map(&:rule)).to eq %w[asked even step]
    end

    it "count what verdicts counted already, but no step comes before a session of the plan" do
      rungs =
        [0, 1, 2, 9].to_h do |clean|
          [
            clean,
            plan([training["co2-table", 2, 2].with(clean: clean)], slots[1, 4], calendar: week(2)).sessions.map(&:rung)
          ]
        end
      expect(rungs).to eq(0 => [2, 2, 3, 3], 1 => [2, 3, 3, 4], 2 => [2, 3, 3, 4], 9 => [2, 3, 3, 4])
    end

    it "stand still in an easy week and before an event, and go on after them" do
      easy = programme::Calendar.new(from: monday, weeks: 4, easy_every: 3)
      expect(plan([training["quiet-breathing", 2]], slots[1, 4], calendar: easy).sessions.map(&:rung)).to eq [
        0, 0, 1, 1, 1, 1, 2, 2
      ]
      event = week(4, events: [programme::Event.new(date: monday + 15, kind: :swell)])
      rungs =
        plan([training["quiet-breathing", 2]], slots[1, 4], calendar: event).sessions.to_h do |one|
          [(one.date - monday).to_i, one.rung]
        end
      expect(rungs.select { |day, _| day.between?(8, 15) }.values.uniq).to eq [rungs.fetch(7)]
      expect(rungs.values.last).to be > rungs.fetch(7)
    end

    it "are two lower for voice on the day of a concert, and as before afterwards" do
      sung =
        programme::Training.new(
          key: "hiss-ladder",
          protocol: Windlass::Protocols.find("hiss-ladder"),
          standing: standing["hiss-ladder", 4],
          times: 7
        )
      found =
        plan([sung], slots[*1..7], calendar: week(1, events: [programme::Event.new(date: monday + 3, kind: :concert)]))
          .sessions
          .to_h { |one| [(one.date - monday).to_i, one.rung] }
      expect(found.fetch(3)).to eq 2
      expect(found.except(3).values).to all(be >= 4)
    end

    it "are one lower after more than ten days without it, and steps are counted anew from there, in the same week " \
      "as well" do
      away = week(5, absences: [programme::Absence.new(from: monday + 7, to: monday + 20)])
      found =
        plan([training["co2-table", 2, 8]], slots[1, 4], calendar: away).sessions.reject { |one| one.training.test? }
      # Two at 8 lead to 9; eighteen days off lead back to 8, twice again, and then to 9.
      expect(found.map { |one| [(one.date - monday).to_i, one.rung] }).to eq [
        [0, 8], [3, 8], [21, 8], [24, 8], [28, 9], [31, 9]
      ]
    end

    it "come without a step where the step would pass the week's line" do
      held = plan([training["co2-table", 2, 2]], slots[1, 4]).sessions.sum(&:hold_seconds)
      tight = (1..2).to_h { |back| [monday - 7 * back, held / 1.3] }
      found = plan([training["co2-table", 2, 2]], slots[1, 4], calendar: week(3), held: tight)
      expect(found.sessions.first(2).map(&:rung)).to eq [2, 2]
      found.weeks.each { |one| expect(one.hold_seconds).to be <= one.limit_s + 1e-6 }
    end
  end

  describe "what has no place" do
    it "is counted against what an easy week asks, and says first what never opens" do
      easy = programme::Calendar.new(from: monday, weeks: 1, easy_every: 1)
      expect(plan([training["small-holds", 4]], slots[1], calendar: easy).unplaced.map(&:missing)).to eq [
        (4 * 2/3r).ceil - 1
      ]
      barred = screen.with(conditions: [:heart])
      swell = week(1, events: [programme::Event.new(date: monday + 5, kind: :swell)])
      found = plan([training["o2-table", 1]], slots[1, 3], calendar: swell, ground: {screen: barred}).unplaced.first
      expect(found.reasons.map(&:rule)).to start_with "block.screening"
    end
  end

  describe "a maximal hold" do
    let(:tables) { training["co2-table", 2] }
    let(:eight) { programme::Calendar.new(from: monday, weeks: 9, easy_every: 4) }

    def tests(plan) = plan.sessions.select { |one| one.training.test? }

    it "is proposed first thing after an easy week when the last is six weeks old, and not where nothing is " \
      "computed from it" do
      due = tests(plan([tables], slots[1, 3, 5], calendar: eight))
      expect(due.map { |one| [(one.date - monday).to_i, one.proposed] }).to eq [[28, true]]
      expect(due.first.reasons.map(&:rule)).to eq ["test.due"]
      recent = measures.with(maximal_hold_shown_on: monday - 1)
      expect(
        tests(
          plan(
            [tables],
            slots[1, 3, 5],
            calendar: programme::Calendar.new(from: monday, weeks: 6, easy_every: 4),
            ground: {measures: recent}
          )
        )
      ).to be_empty
      expect(tests(plan([training["quiet-breathing", 2]], slots[1, 3, 5], calendar: eight))).to be_empty
      five = programme::Calendar.new(from: monday, weeks: 5, easy_every: 4)
      expect(
        [14, 13].map do |ago|
          tests(
            plan(
              [tables],
              slots[1, 3, 5],
              calendar: five,
              ground: {measures: measures.with(maximal_hold_shown_on: monday - ago)}
            )
          ).size
        end
      ).to eq [1, 0]
    end

    it "is not proposed to whom it is not open" do
      young = Windlass::Screening::Screen.new(answered_on: monday - 30, age: 17, guardian_consent_on: monday - 30)
      expect(tests(plan([tables], slots[1, 3, 5], calendar: eight, ground: {screen: young}))).to be_empty
    end

    it "that has a date lies on it, at its hour, whether or not there is a slot; where it may not, it is said why" do
      test = ->(day, at) { week(2, events: [programme::Event.new(date: monday + day, kind: :test, at_min: at)]) }
      expect(
        tests(plan([tables], slots[1, 3, 5], calendar: test[8, 600])).map do |one|
          [(one.date - monday).to_i, one.at, one.proposed]
        end
      ).to eq [[8, "10:00", false]]
      expect(
        tests(plan([tables], slots[1, 3, 5], calendar: test[7, nil])).map { |one| [(one.date - monday).to_i, one.at] }
      ).to eq [[7, "07:00"]]
      late = plan([tables], slots[1, 3, 5], calendar: test[8, 600], ground: {resting_until: monday + 10})
      expect([tests(late).size, late.unplaced.find { |one| one.training.test? }.reasons.size]).to match [0, be >= 1]
    end
  end

  describe "planning anew from a day on" do
    it "leaves what lies before it alone, counts what was done, and moves what was missed into the rest of the week" do
      done = {"small-holds" => [monday]}
      found =
        plan(
          [training["small-holds", 3]],
          slots[*1..7],
          calendar: week(2),
          since: monday + 3,
          done: done,
          held: {monday => 130}
        )
      first = days(found).select { |day| day < 7 }
      expect([first.size, first.min]).to match [2, be >= 3]
      expect(found.unplaced).to be_empty
      expect(found.weeks.first.hold_seconds).to eq 130 +
        found.sessions.select { |one| one.date < monday + 7 }.sum(&:hold_seconds)
    end

    it "says of what does not fit any more that it lapses" do
      found = plan([training["co2-table", 3]], slots[1, 3, 5], since: monday + 3)
      expect([days(found), found.unplaced.map(&:missing), found.unplaced.first.reasons.size]).to match [
        [4],
        [2],
        be >= 1
      ]
    end

    it "keeps what a coach put somewhere where it is, if it may lie there" do
      put = programme::Wish.new(key: "small-holds", date: monday + 5, at_min: 420)
      found = plan([training["small-holds", 2]], slots[*1..7], fixed: [put])
      expect(found.sessions.select(&:fixed).map { |one| (one.date - monday).to_i }).to eq [5]
      expect(found.sessions.size).to eq 2
      away = week(1, absences: [programme::Absence.new(from: monday + 5, to: monday + 6)])
      expect(days(plan([training["small-holds", 2]], slots[*1..7], calendar: away, fixed: [put])).max).to be < 5
    end
  end

  describe "at its edges" do
    it "what a coach put into a later week was there first: the week before keeps away from it" do
      heavy = [*slots[7, at: 1080], *slots[1]]
      away = week(2, absences: [programme::Absence.new(from: monday, to: monday)])
      put = programme::Wish.new(key: "o2-table", date: monday + 7, at_min: 420)
      expect(days(plan([training["o2-table", 1]], heavy, calendar: away))).to eq [6, 13]
      kept = plan([training["o2-table", 1]], heavy, calendar: away, fixed: [put])
      expect(kept.sessions.map { |one| [(one.date - monday).to_i, one.fixed] }).to eq [[7, true]]
      expect(kept.unplaced.map { |one| [one.week, one.reasons.map(&:rule).include?("wait.strenuous")] }).to eq [
        [monday, true]
      ]
    end

    it "no maximal hold is proposed within a week of one that has a date, on either side" do
      due = ->(day) do
        programme::Calendar.new(
          from: monday,
          weeks: 6,
          easy_every: 4,
          events: [programme::Event.new(date: monday + day, kind: :test, at_min: 600)]
        )
      end
      found =
        [20, 28, 36, 41].to_h do |day|
          [
            day,
            plan([training["co2-table", 2]], slots[1, 3, 5], calendar: due[day])
              .sessions
              .select { |one| one.training.test? }
              .map { |one| (one.date - monday).to_i }
          ]
        end
      expect(found).to include(28 => [28], 36 => [36])
      found.each_value { |tests| expect(tests.each_cons(2).map { |one, other| other - one }).to all(be >= 7) }
    end

    it "nothing is planned into a slot that has begun, nor a second time on a day on which it was done" do
      both = [*slots[*1..7], *slots[*1..7, at: 1080]]
      noon = Time.utc(2026, 3, 4, 12)
      late = plan([training["quiet-breathing", 7]], both, since: monday + 2, now: noon)
      expect(late.sessions.map { |one| [(one.date - monday).to_i, one.at] }.min).to eq [2, "18:00"]
      done =
        plan(
          [training["quiet-breathing", 7]],
          both,
          since: monday + 2,
          now: noon,
          done: {"quiet-breathing" => [monday, monday + 1, monday + 2]}
        )
      expect(days(done)).to eq [3, 4, 5, 6]
    end

    it "what was done yesterday is kept apart by the hour, in whatever week of the programme that is" do
      yesterday =
        Windlass::Progression::Outline.new(
          id: 1,
          date: monday + 15,
          protocol: "o2-table",
          ended_at: Time.utc(2026, 3, 17, 12)
        )
      both = [*slots[4, at: 420], *slots[4, at: 1080]]
      found =
        plan(
          [training["loaded-holds", 1]],
          both,
          calendar: week(4),
          since: monday + 16,
          ground: {history: [yesterday]}
        )
      expect(found.sessions.first.then { |one| [(one.date - monday).to_i, one.at] }).to eq [17, "18:00"]
    end

    it "half of a rung steps to the whole of it" do
      half = standing["co2-table", 3].halved
      reduced =
        programme::Training.new(
          key: "co2-table",
          protocol: Windlass::Protocols.find("co2-table"),
          standing: half,
          times: 2
        )
      found = plan([reduced], slots[1, 4], calendar: week(3)).sessions
      whole = standing["co2-table", 3].dose
      expect(found.map { |one| [one.rung, one.dose] }).to eq [
        [3, half.dose],
        [3, half.dose],
        [3, whole],
        [3, whole],
        [4, standing["co2-table", 4].dose],
        [4, standing["co2-table", 4].dose]
      ]
    end

    it "a session of blocks is what is in it: not quiet on the eve of an event, and not before what is small" do
      dose =
        Windlass::Protocols.dose(
          "blocks" => [
            {"protocol" => "quiet-breathing", "dose" => {"in_s" => 3, "out_s" => 6, "minutes" => 3}},
            {"protocol" => "small-holds", "dose" => {"hold_s" => 5, "minutes" => 5, "sets" => 1}}
          ]
        )
      blocks = Windlass::Protocols.bound("blocks:evening") { dose }
      standing_of_blocks = Windlass::Progression::Standing.of(blocks, measures, dose: dose, from: dose)
      evening = programme::Training.new(key: "blocks", protocol: blocks, standing: standing_of_blocks, times: 7)
      found =
        plan(
          [evening],
          slots[*1..7],
          calendar: week(1, events: [programme::Event.new(date: monday + 4, kind: :concert)])
        )
      expect(days(found)).to eq [0, 1, 2, 5, 6].first(found.sessions.size)
      expect(days(found) & [3, 4]).to be_empty
      order = programme::SlotOrder
      heavy =
        Windlass::Protocols.dose(
          "blocks" => [
            {
              "protocol" => "bellows",
              "dose" => Windlass::Protocols.find("bellows").start(measures).transform_keys(&:to_s)
            }
          ]
        )
      expect(
        [
          order.of(blocks, dose),
          order.of(Windlass::Protocols.bound("blocks:heavy") { heavy }, heavy),
          order.of(Windlass::Protocols.find("co2-table"), standing["co2-table"].dose)
        ]
      ).to eq [[1], [3], [4]]
    end

    it "a move may take no week over its line, neither its own nor one that leans on it" do
      table = [training["co2-table", 2, 4]]
      held = standing["co2-table", 4].then { |one| one.protocol.hold_seconds(one.dose) }
      planner = ->(past) do
        described_class.new(
          week(4),
          slots: slots[*1..7],
          trainings: table,
          ground: {
            screen: screen,
            measures: measures,
            history: []
          },
          held: past
        )
      end
      wish = ->(day) { programme::Wish.new(key: "co2-table", date: monday + day, at_min: 420, rung: 4) }
      others = [wish[0], wish[7], wish[9], wish[14], wish[16]]
      # Five weeks of two sessions each: a third one in a week is half as much again.
      past = {monday - 14 => 2 * held, monday - 7 => 2 * held}
      expect(
        planner[past]
          .refusal(wish[18], others, from: wish[3])
          &.then { |reason| [reason.rule, reason.text[/1\.3 times|over its line/]] }
      ).to eq ["ramp.week", "1.3 times"]
      expect(planner[past].refusal(wish[4], others, from: wish[3])).to be_nil
      # Taken out of the first week, the second leans on less.
      tight = {monday - 14 => 1.1 * held, monday - 7 => 1.1 * held}
      expect(
        planner[tight].refusal(wish[25], others, from: wish[3])&.then { |reason| [reason.rule, reason.text] }
      ).to match ["ramp.week", /\AThe week of 9 March 2026 would then be .* over its line\.\z/]
    end
  end

  it "says of a training whose measure is missing which one it is" do
    without =
      programme::Training.new(
        key: "o2-table",
        protocol: Windlass::Protocols.find("o2-table"),
        standing: nil,
        times: 2,
        refusal: "Oxygen table needs a maximal hold first."
      )
    expect(plan([without], slots[1, 4]).unplaced.map { |one| [one.missing, one.reasons.map(&:to_h)] }).to eq [
      [2, [{rule: "measure", text: "Oxygen table needs a maximal hold first."}]]
    ]
  end

  it "says where a session may not be moved, with the others where they lie" do
    planner =
      described_class.new(
        week(1),
        slots: slots[*1..7],
        trainings: [training["o2-table", 2], training["small-holds", 3]],
        ground: {
          screen: screen,
          measures: measures,
          history: []
        }
      )
    wish = ->(key, day) { programme::Wish.new(key: key, date: monday + day, at_min: 420) }
    others = [wish["o2-table", 0], wish["small-holds", 2]]
    expect([1, 3].map { |day| planner.refusal(wish["o2-table", day], others)&.rule }).to eq ["wait.strenuous", nil]
    expect(planner.refusal(wish["small-holds", 2], others).text).to eq "It is planned on that day already."
    expect(
      planner.refusal(programme::Wish.new(key: "small-holds", date: monday + 1, at_min: 999), others).rule
    ).to eq "slot.none"
  end
end
