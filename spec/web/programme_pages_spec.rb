# frozen_string_literal: true

require "web_helper"

# What the pages of the programme make of the tables: marks, washes, loads, fits, changes.
RSpec.describe "Pages of the programme", :web do
  let(:monday) { Date.new(2026, 3, 2) }
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }
  let(:group) { Windlass::Records::Group.create!(account: account, name: "Club", athletes: [athlete]) }

  # A programme whose sessions stand where they are put, without a planner.
  def programme(of = athlete, weeks: 3, **more)
    Windlass::Records::Programme.create!(
      {
        account_id: account.id, athlete: of, group: group, starts_on: monday, weeks: weeks, planned_at: clock.now,
        loads: [], left_out: []
      }.merge(more)
    )
  end

  def put(programme, day, **more)
    programme.planned_sessions.create!(
      {
        athlete_id: programme.athlete_id,
        prescription: prescription,
        uuid: SecureRandom.uuid,
        local_date: monday + day,
        at_min: 420,
        begins_min: 420,
        slot_minutes: 40,
        rung: 0,
        seconds: 840,
        hold_seconds: 130,
        dose_words: "13 holds",
        reasons: [{rule: "asked", text: "1 of 2 times this week."}]
      }.merge(more)
    )
  end

  def week(on = monday) = Windlass::Presenters::GroupWeek.new(group, on: on, today: clock.now.to_date)

  def marks(page) = page.rows.flat_map { |row| row.days.flat_map(&:last) }

  describe "a mark" do
    it "says by shape how heavy it is, the test apart" do
      shapes = {
        "small-holds" => :small, "quiet-breathing" => :small, "co2-table" => :table, "ratio-deep" => :table,
        "o2-table" => :heavy, "loaded-holds" => :heavy, "bellows" => :heavy, "hiss-ladder" => :voice
      }
      found =
        shapes.keys.to_h do |id|
          [
            id,
            Windlass::Presenters::ProgrammeMarks.of(
              Windlass::Records::PlannedSession.new(
                prescription: Windlass::Records::Prescription.new(id: 1, protocol: id, dose: {}),
                local_date: monday,
                at_min: 420,
                begins_min: 432,
                seconds: 61,
                reasons: []
              ),
              today: monday,
              done: false
            ).shape
          ]
        end
      expect(found).to eq shapes
      test =
        Windlass::Presenters::ProgrammeMarks.of(
          put(programme, 2, prescription: nil, rung: nil, dose_words: ""),
          today: monday,
          done: false
        )
      expect([test.shape, test.name, test.rung, test.minutes]).to eq [:test, "A maximal hold", nil, "14 min"]
    end

    it "says rung, minutes begun, and whether it is done, missed or still ahead" do
      one = programme
      [put(one, 0), put(one, -1), put(one, 3, expected: true, rung: 2, begins_min: 431, seconds: 841)]
      run_set(prescription)
      page = [week(monday - 7), week].flat_map { |shown| marks(shown) }
      expect(page.map { |mark| [(mark.date - monday).to_i, mark.state, mark.rung, mark.begins, mark.minutes] }).to eq [
        [-1, :missed, "rung 1", "07:00", "14 min"],
        [0, :done, "rung 1", "07:00", "14 min"],
        [3, :ahead, "expected rung 3", "07:11", "15 min"]
      ]
      get("/groups/#{group.id}?on=#{monday}")
      expect([page_words(".mark-done"), page_words(".mark-ahead")]).to match [
        [/Small holds 07:00 · rung 1 · 14 min · done/],
        [/07:11 · expected rung 3 · 15 min/]
      ]
    end

    it "of a discarded session is not done" do
      put(programme, 0)
      run_set(prescription).update!(discarded_at: clock.now)
      expect(marks(week).map(&:state)).to eq [:ahead]
    end
  end

  def page_words(selector) = page.css(selector).map { |mark| mark.text.split.join(" ") }

  describe "a group's week" do
    it "says why a row is empty, and at a glance what found no place for whom" do
      left = [{"week" => monday.iso8601, "name" => "Small holds", "missing" => 2, "reasons" => []}]
      bo, cy, di, ed = %w[Bo Cy Di Ed].map { |name| make_athlete(name: name) }
      group.update!(athletes: [athlete, bo, cy, di, ed])
      group.reload
      put(programme(left_out: left), 0)
      programme(bo, left_out: left)
      programme(cy, starts_on: monday + 7)
      make_pause(di)
      prescribe(di)

      expect(week.rows.to_h { |row| [row.name, row.why_empty] }).to eq(
        athlete.name => nil, "Bo" => "nothing found a place", "Cy" => "from Mon 9 Mar on", "Di" => "no programme",
        "Ed" => "nothing prescribed"
      )
      expect(week.left_out_words).to eq(
        "Not placed this week: Bo (small holds twice); #{athlete.name} (small holds twice)."
      )
      get("/groups/#{group.id}/plan")
      expect(page.css("[name^=times] option[selected]").map { |one| one["value"] }).to eq ["5"]
      3.times { |day| group.slots.create!(day: day + 1, at_min: 420, minutes: 40) }
      get("/groups/#{group.id}/plan")
      expect(page.css("[name^=times] option[selected]").map { |one| one["value"] }).to eq ["3"]
    end

    it "begins on Monday whatever day was asked for, and is found again from both ends" do
      expect([monday, monday + 6, monday + 7].map { |day| week(day).from }).to eq [monday, monday, monday + 7]
      expect([week.previous, week.following]).to eq [monday - 7, monday + 7]
    end

    it "washes events, easing toward them, easy weeks, and who is away" do
      group.events.create!(local_date: monday + 12, kind: "concert", at_min: 1170, name: "Spring")
      Windlass::Records::Absence.create!(athlete: athlete, from_on: monday + 1, to_on: monday + 2)
      programme(weeks: 6, easy_every: 3)
      washes = (0..2).map { |number| week(monday + 7 * number).days.map(&:wash) }
      expect(washes).to eq [[nil, nil, nil, nil, nil, :easing, :easing], [*[:easing] * 5, :event, nil], [:easy] * 7]
      expect(week(monday + 7).days[5].event).to eq "Spring, 19:30"
      expect(week.rows.first.days.map(&:first)).to eq [nil, :away, :away, nil, nil, :easing, :easing]
    end

    it "says who trains together, from two on, and only in its own slots" do
      other = make_athlete(name: "Bo Tarn")
      group.athletes << other
      group.reload
      slot = group.slots.create!(day: 2, at_min: 420, minutes: 40, place: "mat")
      [programme, programme(other)].each { |one| [1, 2].each { |day| put(one, day) } }
      expect(week.together.map { |one| [one.slot_id, one.date, one.names] }).to eq [
        [slot.id, monday + 1, ["Bo Tarn", "Ines Aldaya"]]
      ]
    end
  end

  describe "a load" do
    it "stands against its line, over it as well, and says so in words" do
      loads =
        [[100, nil], [90, 100], [101, 100], [1000, 100]].map do |held, limit|
          Windlass::Presenters::Load.of(
            {"from" => "2026-03-02", "hold_s" => held, "limit_s" => limit, "easy" => held == 90}
          )
        end
      expect(loads.map { |load| [load.words, load.over, load.bar] }).to eq [
        ["1:40 of holding", false, 0.0],
        ["1:30 of at most 1:40, easy week", false, 75.0],
        ["1:41 of at most 1:40", true, 84.2],
        ["16:40 of at most 1:40", true, 100.0]
      ]
    end

    it "of everybody lists the nearest to the line first, what was eased lately, and who was not measured" do
      heavy, fresh = athlete, make_athlete(name: "Bo Tarn")
      [21, 14].each { |ago| run_set(prescription, at: clock.now - ago * 86_400) }
      3.times { |back| run_set(prescription, at: clock.now - back * 60) }
      rows =
        Windlass::Presenters::LoadBoard.new(
          Windlass::Presenters::AthleteFilter.new(account, "/programme/load"),
          today: clock.now.to_date
        ).rows
      expect(rows.map { |row| [row.name, row.before, row.load.words, row.load.over, row.measured] }).to eq [
        [heavy.name, %w[1:05 1:05 0:00], "3:15 of at most 1:25", true, nil],
        [fresh.name, ["0:00"] * 3, "0:00 of holding", false, "never"]
      ]
    end

    it "counts a day as strenuous by what was done on it, blocks as well, and once" do
      hard =
        Windlass::Protocols.find("o2-table").start(athlete.to_values.with(maximal_hold_s: 120)).transform_keys(&:to_s)
      blocks = {"blocks" => [{"protocol" => "o2-table", "dose" => hard}]}
      base = run_set(prescription)
      add = ->(day, protocol, dose, done_ms) do
        base.dup.update!(
          uuid: SecureRandom.uuid,
          local_date: monday + day,
          protocol: protocol,
          dose: dose,
          done_ms: done_ms
        )
      end
      add[0, "o2-table", hard, 60_000]
      add[0, "blocks:evening", blocks, 60_000]
      add[1, "blocks:evening", blocks, 60_000]
      add[2, "o2-table", hard, 0]
      expect(
        Windlass::Presenters::LoadBoard
          .new(Windlass::Presenters::AthleteFilter.new(account, "/programme/load"), today: monday + 2)
          .rows
          .map(&:strenuous)
      ).to eq [2]
    end
  end

  describe "fitting a slot" do
    def fit(minutes, athletes: 2)
      people = [
        athlete,
        *(2..athletes).map { |number| make_athlete(name: "Number #{number}").tap { |one| make_pause(one) } }
      ]
      group.athletes = people
      slot = group.slots.create!(day: 1, at_min: 420, minutes: minutes)
      people.each { |one| put(programme(one), 0, prescription: (one == athlete) ? prescription : prescribe(one)) }
      Windlass::Presenters::SlotFit.new(group, slot, monday)
    end

    it "says when each starts, that it fits, and keeps first breaths apart" do
      page = fit(20)
      expect([page.fits?, page.verdict, page.collisions]).to match [
        true,
        /\AIt fits: the last one is done after \d+:\d\d of 20 min\.\z/,
        nil
      ]
      expect(page.rows.map { |row| [row.name, row.fits] }).to eq [["Ines Aldaya", true], ["Number 2", true]]
      expect(page.rows.first.starts).to eq "0:00"
    end

    it "says what to drop where it does not" do
      page = fit(5)
      expect([page.fits?, page.verdict]).to match [
        false,
        /\AIt does not fit the 5 min: .* Drop or move: Ines Aldaya and Number 2\.\z/
      ]
    end

    it "says that nobody trains then" do
      slot = group.slots.create!(day: 1, at_min: 420, minutes: 20)
      expect(Windlass::Presenters::SlotFit.new(group, slot, monday).verdict).to eq "Nobody trains then."
    end
  end

  describe "times of the week" do
    it "are read as people write them" do
      written = ["7:00", "07:00", "7.30", " 18:05 ", "24:00", "7", "7:60", "", "noon"]
      expect(written.map { |text| Windlass::Forms::WeekTime.minutes(text) }).to eq [
        420, 420, 450, 1085, nil, nil, nil, nil, nil
      ]
    end

    it "may touch but not overlap, and keep to the day" do
      rows = ->(*given) do
        {
          "slots" =>
            given.each_with_index.to_h do |(day, at, minutes), index|
              [index.to_s, {"day" => day, "at" => at, "minutes" => minutes, "place" => "moon"}]
            end
        }
      end
      forms =
        [
          [%w[1 7:00 30], %w[1 7:30 30]],
          [%w[1 7:00 31], %w[1 7:30 30]],
          [%w[1 7:30 30], %w[2 7:30 30]],
          [%w[9 7:00 30]],
          [["1", "", ""]]
        ].map { |given| Windlass::Forms::SlotsForm.parse(rows.call(*given)) }
      expect(forms.map { |form| [form.errors.keys, form.slots.size] }).to eq [
        [[], 2],
        [["slots"], 2],
        [[], 2],
        [["slots[0][day]"], 0],
        [[], 0]
      ]
      expect(forms.first.slots.map { |slot| slot[:place] }).to eq ["", ""]
    end
  end

  it "an athlete's page shows what was decided and missed since, and where planning anew leads" do
    one = programme(planned_at: clock.now - 3 * 86_400)
    one.trainings.create!(prescription: prescription, times_a_week: 2)
    put(one, -1)
    prescription.moves.create!(
      account_id: account.id,
      session: run_set(prescription),
      decided_at: clock.now,
      local_date: clock.now.to_date,
      verdict: "advance",
      decided: "advance",
      noted: false,
      reasons: [],
      dose_before: prescription.dose,
      reduced_before: false
    )
    get("/athletes/#{athlete.id}/programme")
    expect(text).to include("Since it was planned: Small holds: advance.")
    get("/")
    expect(text).to include("Decided since the programme was planned. Planned for yesterday and not done: small holds")
  end
end
