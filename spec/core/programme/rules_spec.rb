# frozen_string_literal: true

# Each rule of the planner where it fires, and at the edge at which it does not.
RSpec.describe "Rules of the programme" do
  programme = Windlass::Programme
  monday = Date.new(2026, 3, 2)

  define_method(:standing_of) do |id|
    Windlass::Progression::Standing.of(
      Windlass::Protocols.find(id),
      Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 120)
    )
  end
  define_method(:training) do |id, times = 3|
    if id == "maximal-test"
      programme::Planner::TEST
    else
      programme::Training.new(key: id, protocol: Windlass::Protocols.find(id), standing: standing_of(id), times: times)
    end
  end
  define_method(:slot) do |at = 420, minutes = 60, place = nil, day = 1|
    programme::Slot.new(day: day, at_min: at, minutes: minutes, place: place)
  end

  # A session on a day of the programme, at an hour.
  define_method(:planned) do |id, day, hour = 7, minutes: 60, place: nil, times: 3, calendar: weeks|
    date = monday + day
    berth =
      programme::Berth.new(
        date: date,
        slot: slot(hour * 60, minutes, place, date.cwday),
        begins: calendar.moment(date, hour * 60)
      )
    chosen = training(id, times)
    programme::Planned.new(
      training: chosen,
      berth: berth,
      course: programme::Expectation.new(chosen).following([], date, calendar, calendar.week_of(date))
    )
  end

  define_method(:weeks) { |**more| programme::Calendar.new(from: monday, weeks: 6, **more) }
  define_method(:event) do |day, kind = :competition, at = nil|
    programme::Event.new(date: monday + day, kind: kind, at_min: at)
  end

  # What a rule says of a session, with others where they lie.
  define_method(:said) do |rule, session, calendar: weeks, placed: [], before: [], **more|
    ground = {
      screen: Windlass::Screening::Screen.new(answered_on: monday - 30, age: 30),
      measures: Windlass::Measures::Values.new,
      history: []
    }
    walls =
      programme::Walls.new(
        calendar,
        ground: ground.merge(more.fetch(:ground, {})),
        held: more[:held],
        done: more.fetch(:done, {})
      )
    rule
      .check(
        programme::Placing.new(
          session,
          week: calendar.week_of(session.date),
          calendar: calendar,
          walls: walls,
          placed: placed,
          before: before
        )
      )
      &.then { |reason| [reason.rule, reason.text] }
  end

  it "day.away: on both ends of an absence, and not on the day after, from which it is open" do
    away = weeks(absences: [programme::Absence.new(from: monday + 2, to: monday + 3)])
    answers = (1..4).map { |day| said(programme::Rules::Away, planned("co2-table", day), calendar: away)&.last }
    expect(answers).to eq [nil, "Away. Open from 6 March 2026 on.", "Away. Open from 6 March 2026 on.", nil]
  end

  it "slot.place: where the protocol is done, or in a place without a kind" do
    places =
      ["mat", "chair", "ground", "room", nil, "the boathouse"].map do |place|
        said(programme::Rules::SlotPlace, planned("loaded-holds", 0, place: place)).nil?
      end
    expect(places).to eq [false, false, true, false, true, true]
    expect(
      said(programme::Rules::SlotPlace, planned("loaded-holds", 0, place: "mat")).last
    ).to eq "It asks for: soft ground with room to move. This slot is: lying on a mat or bed."
  end

  it "slot.minutes: to the second, with what lies beside it, in the same slot only" do
    table = planned("co2-table", 0, minutes: 16)
    expect(table.course.seconds).to eq 915
    quiet = planned("quiet-breathing", 0, minutes: 16)
    expect(
      [
        said(programme::Rules::SlotMinutes, table),
        said(programme::Rules::SlotMinutes, planned("co2-table", 0, minutes: 15))&.first
      ]
    ).to eq [nil, "slot.minutes"]
    # To the second: a session as long as its slot has room.
    expect(said(programme::Rules::SlotMinutes, planned("small-holds", 0, minutes: 14, calendar: weeks))).to be_nil
    expect(said(programme::Rules::SlotMinutes, table, placed: [quiet])).to eq [
      "slot.minutes",
      "15 min 15 s do not fit the 11 min left of the 16 min at 07:00."
    ]
    expect(
      said(
        programme::Rules::SlotMinutes,
        table,
        placed: [planned("quiet-breathing", 0, 18, minutes: 16), planned("quiet-breathing", 1, minutes: 16)]
      )
    ).to be_nil
  end

  it "slot.minutes: sets that no slot could take together go through the day" do
    sets = [20, 14, 13, 7, 6].map { |minutes| planned("small-holds", 0, minutes: minutes) }
    expect(sets.map { |one| one.course.seconds }.uniq).to eq [840]
    expect(sets.map(&:apart?)).to eq [false, false, true, true, true]
    expect(sets.map { |one| said(programme::Rules::SlotMinutes, one).nil? }).to eq [true, true, true, true, false]
  end

  it "slot.alone: over-breathing beside anything, and anything beside it" do
    deep, quiet, table = planned("deep-rounds", 0), planned("quiet-breathing", 0), planned("co2-table", 0)
    expect(
      [[deep, quiet], [quiet, deep], [quiet, table]].map do |one, other|
        said(programme::Rules::SlotAlone, one, placed: [other])&.first
      end
    ).to eq ["slot.alone", "slot.alone", nil]
    expect(said(programme::Rules::SlotAlone, deep, placed: [planned("quiet-breathing", 0, 18)])).to be_nil
  end

  it "easy.strenuous: strenuous work and tests in an easy week, not in the one before" do
    every_third = weeks(easy_every: 3)
    found =
      %w[o2-table maximal-test co2-table].to_h do |id|
        [
          id,
          [13, 14, 20, 21].map do |day|
            said(programme::Rules::EasyStrenuous, planned(id, day), calendar: every_third)&.first
          end
        ]
      end
    expect(found).to eq(
      "o2-table" => [nil, "easy.strenuous", "easy.strenuous", nil],
      "maximal-test" => [nil, "easy.strenuous", "easy.strenuous", nil],
      "co2-table" => [nil] * 4
    )
    expect(
      said(programme::Rules::EasyStrenuous, planned("o2-table", 14), calendar: every_third).last
    ).to end_with "Open from 23 March 2026 on."
    expect(said(programme::Rules::EasyStrenuous, planned("o2-table", 21), calendar: weeks(easy_every: nil))).to be_nil
  end

  it "event.quiet: the day before and the day itself, quiet breathing alone, and voice toward a concert" do
    found =
      %i[competition concert].to_h do |kind|
        [
          kind,
          %w[quiet-breathing hiss-ladder small-holds].to_h do |id|
            [
              id,
              (8..11).map do |day|
                said(programme::Rules::EventQuiet, planned(id, day), calendar: weeks(events: [event(10, kind)])).nil?
              end
            ]
          end
        ]
      end
    closed = [true, false, false, true]
    expect(found).to eq(
      competition: {
        "quiet-breathing" => [true] * 4,
        "hiss-ladder" => closed,
        "small-holds" => closed
      },
      concert: {
        "quiet-breathing" => [true] * 4,
        "hiss-ladder" => [true] * 4,
        "small-holds" => closed
      }
    )
    both = weeks(events: [event(10, :concert), event(11, :swell)])
    expect(said(programme::Rules::EventQuiet, planned("hiss-ladder", 10), calendar: both).last).to include(
      "the swell on 13 March 2026"
    )
  end

  it "event.strenuous: 72 hours before its hour, or before the beginning of its day" do
    at_ten = weeks(events: [event(10, :swell, 600)])
    hours = {[7, 6] => nil, [7, 9] => nil, [7, 10] => "event.strenuous", [9, 7] => "event.strenuous"}
    expect(
      hours.keys.to_h do |day, hour|
        [[day, hour], said(programme::Rules::EventStrenuous, planned("o2-table", day, hour), calendar: at_ten)&.first]
      end
    ).to eq hours
    unknown = weeks(events: [event(10, :swell)])
    expect(
      [6, 7].map { |day|
        said(programme::Rules::EventStrenuous, planned("o2-table", day, 20), calendar: unknown)&.first
      }
    ).to eq [nil, "event.strenuous"]
    expect(said(programme::Rules::EventStrenuous, planned("co2-table", 9), calendar: unknown)).to be_nil
  end

  it "event.strenuous: before a test that has a date, too, but not the test itself" do
    test = weeks(events: [event(10, :test, 420)])
    expect(
      [[7, 8], [9, 8]].map do |day, hour|
        said(programme::Rules::EventStrenuous, planned("o2-table", day, hour), calendar: test)&.first
      end
    ).to eq %w[event.strenuous event.strenuous]
    expect(said(programme::Rules::EventStrenuous, planned("maximal-test", 10, 7), calendar: test)).to be_nil
  end

  it "event.maximal and event.times: from seven days before on, and no longer than the day before" do
    near = weeks(events: [event(20)])
    expect(
      [12, 13, 19, 20].map do |day|
        said(programme::Rules::EventMaximal, planned("maximal-test", day), calendar: near)&.first
      end
    ).to eq [nil, "event.maximal", "event.maximal", nil]
    expect(
      said(programme::Rules::EventMaximal, planned("maximal-test", 13), calendar: near).last
    ).to end_with "Open from 25 March 2026 on."
    two = [planned("small-holds", 14, calendar: near), planned("small-holds", 15, calendar: near)]
    expect(
      [13, 16].map do |day|
        said(programme::Rules::EventTimes, planned("small-holds", day), calendar: near, placed: two)&.first
      end
    ).to eq %w[event.times event.times]
    expect(said(programme::Rules::EventTimes, planned("small-holds", 16), calendar: near,
      placed: two.first(1))).to be_nil
    expect(said(programme::Rules::EventTimes, planned("small-holds", 12), calendar: near, placed: two)).to be_nil
    expect(
      said(
        programme::Rules::EventTimes,
        planned("small-holds", 16),
        calendar: near,
        placed: two.first(1),
        done: {"small-holds" => [monday + 13]}
      )&.first
    ).to eq "event.times"
    expect(said(programme::Rules::EventTimes, planned("small-holds", 16, times: 5), calendar: near,
      placed: two)).to be_nil
  end

  it "event.after: 48 hours after its hour, or after the end of its day" do
    expect(
      [10, 11, 12, 13].map do |day|
        said(programme::Rules::EventAfter, planned("o2-table", day), calendar: weeks(events: [event(10)]))&.first
      end
    ).to eq ["event.after", "event.after", "event.after", nil]
    at_ten = weeks(events: [event(10, :competition, 600)])
    expect(
      [[12, 9], [12, 10]].map do |day, hour|
        said(programme::Rules::EventAfter, planned("o2-table", day, hour), calendar: at_ten)&.first
      end
    ).to eq ["event.after", nil]
    expect(said(programme::Rules::EventAfter, planned("small-holds", 11),
      calendar: weeks(events: [event(10)]))).to be_nil
  end

  describe "ramp.week" do
    let(:table) { planned("co2-table", 0) }

    it "is silent before two weeks are known, and then lets a week be 1.3 times their mean, to the second" do
      held = table.course.hold_seconds
      weeks = ->(*seconds) { seconds.each_with_index.to_h { |sum, back| [monday - 7 * (back + 1), sum] } }
      found =
        [
          weeks[held],
          weeks[held / 1.3, held / 1.3],
          weeks[held / 1.31, held / 1.31],
          weeks[held, 0.5 * held, 0.75 * held],
          weeks[held, 0.4 * held]
        ].map { |known| said(programme::Rules::RampWeek, table, held: known)&.first }
      expect(found).to eq [nil, nil, "ramp.week", "ramp.week", "ramp.week"]
    end

    it "counts what lies in the week and what was done in it, and leaves weeks without a session out" do
      known = {monday - 7 => 1000, monday - 28 => 1000}
      expect(said(programme::Rules::RampWeek, table, held: known)).to be_nil
      expect(said(programme::Rules::RampWeek, table, held: known, placed: Array.new(3) {
        table
      })&.first).to eq "ramp.week"
      expect(said(programme::Rules::RampWeek, table, held: known.merge(monday => 1000))&.first).to eq "ramp.week"
      expect(said(programme::Rules::RampWeek, table, held: {monday - 7 => 1000, monday - 35 => 10})).to be_nil
    end
  end

  describe "what readiness says" do
    it "is asked for the day itself: a screening that lapses before it, a rest, an illness" do
      lapsing = {screen: Windlass::Screening::Screen.new(answered_on: (monday >> -12) + 3, age: 30)}
      expect([2, 3].map { |day|
        said(programme::Rules::Ready, planned("co2-table", day), ground: lapsing)&.first
      }).to eq [
        nil,
        "block.screening"
      ]
      expect(
        [3, 4].map do |day|
          said(programme::Rules::Ready, planned("co2-table", day), ground: {resting_until: monday + 4})&.first
        end
      ).to eq ["block.resting", nil]
      ill = {illness: Windlass::Progression::Illness.new(last_day: monday - 1, chest: false)}
      expect(
        [["small-holds", 1], ["small-holds", 3], ["o2-table", 3], ["o2-table", 8]].map do |id, day|
          said(programme::Rules::Ready, planned(id, day), ground: ill)&.first
        end
      ).to eq ["back.illness", nil, "back.illness", nil]
    end

    it "keeps sessions apart both ways, whichever was placed first" do
      monday_o2 = planned("o2-table", 0, 7)
      expect(
        [[1, 20], [2, 7], [2, 8]].map do |day, hour|
          said(programme::Rules::ReadyAmong, planned("loaded-holds", day, hour), placed: [monday_o2])&.first
        end
      ).to eq ["wait.strenuous", "wait.strenuous", nil]
      expect(said(programme::Rules::ReadyAmong, monday_o2, placed: [planned("loaded-holds", 1)])).to match [
        "wait.strenuous",
        start_with("On 3 March 2026: Oxygen table was less than 48 hours ago.")
      ]
      expect(said(programme::Rules::ReadyAmong, planned("co2-table", 0, 18),
        placed: [monday_o2])&.first).to eq "wait.day"
      expect(
        [7, 8].map do |day|
          said(programme::Rules::ReadyAmong, planned("maximal-test", day), placed: [planned("maximal-test", 1)])&.first
        end
      ).to eq ["wait.maximal", nil]
    end

    it "closes a third day running, in the middle of two as well as after them" do
      two = [planned("co2-table", 0), planned("co2-table", 2)]
      expect(
        [1, 3, 4].map { |day| said(programme::Rules::ReadyAmong, planned("co2-table", day), placed: two)&.first }
      ).to eq ["wait.day", nil, nil]
      expect(
        said(
          programme::Rules::ReadyAmong,
          planned("co2-table", 2),
          before: [planned("co2-table", 0), planned("co2-table", 1)]
        )&.first
      ).to eq "wait.day"
    end

    it "keeps over-breathing from water: on its day, and twelve hours before" do
      wet = weeks(waters: [programme::Water.new(date: monday + 3, at_min: 8 * 60)])
      expect(
        [[2, 18], [2, 21], [3, 20], [4, 7]].map do |day, hour|
          [programme::Rules::Ready, programme::Rules::ReadyAmong].filter_map do |rule|
            said(rule, planned("deep-rounds", day, hour), calendar: wet)&.first
          end
        end
      ).to eq [[], ["block.water"], ["block.water"], []]
      expect(said(programme::Rules::ReadyAmong, planned("co2-table", 2, 21), calendar: wet)).to be_nil
    end
  end

  it "are listed once each, with their words, and every one of them is named by what it says" do
    rules = programme::Rules::ALL
    expect(rules.map(&:id)).to eq rules.map(&:id).uniq
    expect(rules.flat_map { |rule| [rule.fires_when, rule.effect] }).to all(match(/\A[a-z].*[^.]\z/m))
  end
end
