# frozen_string_literal: true

require "web_helper"
require "icalendar"
require "pdf-reader"

# Weeks planned for a group, looked at, moved, planned anew, printed, read by a calendar.
RSpec.describe "The programme", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }
  let(:group) { Windlass::Records::Group.find_by!(name: "Club") }
  let(:monday) { Date.new(2026, 3, 9) }

  def slot(number, day, at, minutes, place = "") =
    {
      "slots[#{number}][day]" => day.to_s,
      "slots[#{number}][at]" => at,
      "slots[#{number}][minutes]" => minutes.to_s,
      "slots[#{number}][place]" => place
    }

  def make_group(*others)
    submit(
      "/groups/new",
      "/groups",
      {"name" => "Club", "members[]" => [athlete.id, *others.map(&:id)]}.merge(
        *[1, 3, 5, 6].each_with_index.map { |day, index| slot(index, day, "7:00", 40, "mat") }
      )
    )
  end

  def plan(**more)
    submit(
      "/groups/#{group.id}/plan",
      "/groups/#{group.id}/plan",
      {:starts_on => monday.to_s, :weeks => "4", :easy_every => "4", "times[Small holds]" => "3"}.merge(more)
    )
    while Windlass::Presenters::Planning.new(group).waiting.any?
      submit("/groups/#{group.id}/planning", "/groups/#{group.id}/planning")
    end
  end

  def planned = Windlass::Records::PlannedSession.in_order.to_a

  before do
    prescription
    make_group
  end

  it "keeps a group with its times; what is wrong is named and what was typed stays" do
    expect(group.slots.map { |slot| [slot.day, slot.to_core.at, slot.minutes, slot.place] }).to eq [
      [1, "07:00", 40, "mat"],
      [3, "07:00", 40, "mat"],
      [5, "07:00", 40, "mat"],
      [6, "07:00", 40, "mat"]
    ]
    submit(
      "/groups/#{group.id}/edit",
      "/groups/#{group.id}",
      {"name" => "Club"}.merge(
        slot(0, 2, "25:00", 40),
        slot(1, 2, "7:00", 900),
        slot(2, 4, "18:00", 60),
        slot(3, 4, "18:30", 60)
      )
    )
    expect([last_response.status, page.css("input").map { |input| input["value"] }.include?("25:00"), text]).to match [
      422,
      true,
      include(
        "“25:00” is no time of day; write 07:00",
        "900 is not allowed; allowed: 1 to 600 minutes",
        "two times on Thu overlap"
      )
    ]
    expect(group.reload.slots.size).to eq 4
  end

  it "plans a group's weeks, one athlete after the other, and shows them with their reasons" do
    other = make_athlete(name: "Bo Tarn").tap { |one| make_pause(one) && prescribe(one) }
    submit(
      "/groups/#{group.id}/edit",
      "/groups/#{group.id}",
      {"name" => "Club", "members[]" => [athlete.id, other.id]}.merge(
        *[1, 3, 5].each_with_index.map { |day, index| slot(index, day, "7:00", 40) }
      )
    )
    plan
    expect(
      Windlass::Records::Programme.all.map do |one|
        [one.athlete.name, one.planned_sessions.size + one.left_out.sum { |out| out["missing"] }, one.loads.size]
      end
    ).to contain_exactly(["Ines Aldaya", 11, 4], ["Bo Tarn", 11, 4])
    get("/groups/#{group.id}?on=#{monday}")
    expect(page.css("tbody .mark").map { |mark| mark.at(".mark-words").text[0, 5] }).to eq ["07:00"] * 6
    expect(text).to include("Mon 07:00 40 min: Bo Tarn and Ines Aldaya")
    get("/athletes/#{athlete.id}/programme")
    expect(text).not_to include("Not placed in week 4")
    get("/groups/#{group.id}/slots/#{group.slots.first.id}/fit?date=#{monday}")
    expect(text).to include("It fits: the last one is done after")
  end

  it "keeps the old programme in force until the new one stands, though planning is interrupted, and leads back to " \
    "it" do
    plan
    old = planned.map { |one| [one.local_date, one.at_min] }
    submit(
      "/groups/#{group.id}/plan",
      "/groups/#{group.id}/plan",
      {:starts_on => (monday + 7).to_s, :weeks => "2", :easy_every => "4", "times[Small holds]" => "1"}
    )
    expect(
      Windlass::Records::PlannedSession
        .where(programme: Windlass::Records::Programme.open)
        .in_order
        .map { |one| [one.local_date, one.at_min] }
    ).to eq old
    expect(
      text_of("/groups/#{group.id}")
    ).to include "Planning waits for Ines Aldaya. Until it goes on, what was planned before stays in force."

    submit("/groups/#{group.id}/planning", page.at("a:contains('Go on')")["href"])
    expect([Windlass::Records::Programme.open.sole.starts_on, Windlass::Records::Programme.waiting.count]).to eq [
      monday + 7,
      0
    ]
    expect(planned.map(&:local_date)).to include(*old.map(&:first).select { |date| date < monday + 7 })
    expect(text_of("/groups/#{group.id}")).not_to include "Planning waits"
  end

  it "plans one athlete alone, from times of their own" do
    alone = make_athlete(name: "Ada Solo").tap { |one| make_pause(one) }
    own = prescribe(alone)
    expect(text_of("/athletes/#{alone.id}/programme")).to include("There are no times of the week yet")
    submit("/athletes/#{alone.id}/times", "/athletes/#{alone.id}/times", slot(0, 2, "6:45", 900))
    expect([last_response.status, text]).to match [422, include("900 is not allowed; allowed: 1 to 600 minutes")]
    submit(
      "/athletes/#{alone.id}/times",
      "/athletes/#{alone.id}/times",
      slot(0, 2, "6:45", 30).merge(slot(1, 4, "6:45", 30))
    )
    submit(
      "/athletes/#{alone.id}/programme/plan",
      "/athletes/#{alone.id}/programme/plan",
      {:starts_on => monday.to_s, :weeks => "2", :easy_every => "", "times[#{own.id}]" => "2"}
    )
    expect(planned.map { |one| [one.athlete_id, (one.local_date - monday).to_i, one.at] }).to eq [
      1,
      3,
      8,
      10
    ].map { |day| [alone.id, day, "06:45"] }
  end

  it "moves a session where it may lie, and back; a wall can't be forced and says why" do
    plan
    one = planned.first
    get("/planned/#{one.uuid}")
    free = page.css("form[action$=move]").find { |form| form.at("input[name=date]")["value"] == (monday + 5).to_s }
    submit(
      "/planned/#{one.uuid}",
      "/planned/#{one.uuid}/move",
      free.css("input[name=date], input[name=at_min]").to_h { |input| [input["name"], input["value"]] }
    )
    expect(one.reload.attributes).to include(
      "local_date" => monday + 5,
      "fixed" => true,
      "moved_from_on" => monday,
      "sequence" => 1
    )
    expect(text_of("/athletes/#{athlete.id}/programme")).to include("lies on 14 March 2026 at 07:00 now.")

    submit("/planned/#{one.uuid}", "/planned/#{one.uuid}/move", {date: (monday + 2).to_s, at_min: "420"})
    expect([last_response.status, text]).to match [422, include("It is planned on that day already.")]
    submit("/planned/#{one.uuid}", "/planned/#{one.uuid}/move", {date: (monday + 1).to_s, at_min: "420"})
    expect(text).to include("There is no slot at that time on 10 March 2026.")
    submit("/planned/#{one.uuid}", "/planned/#{one.uuid}/back")
    expect(one.reload.attributes).to include("local_date" => monday, "fixed" => false, "moved_from_on" => nil)
  end

  it "moves for the first of two coaches who picked it up, and its calendar counts every move" do
    plan
    one = planned.first
    move = ->(days) do
      submit(
        "/planned/#{one.uuid}",
        "/planned/#{one.uuid}/move",
        {date: (monday + days).to_s, at_min: "420", seen: "0"}
      ).status
    end

    expect([move[5], move[4], one.reload.local_date, one.sequence]).to eq [303, 409, monday + 5, 1]
    submit("/planned/#{one.uuid}", "/planned/#{one.uuid}/back")
    expect(one.reload.sequence).to eq 2
  end

  it "what a coach put somewhere stays there when it is planned anew; an absence empties its days, and the " \
    "difference is shown first" do
    plan
    one = planned.first
    submit("/planned/#{one.uuid}", "/planned/#{one.uuid}/move", {date: (monday + 5).to_s, at_min: "420"})
    submit(
      "/athletes/#{athlete.id}/programme",
      "/athletes/#{athlete.id}/absences",
      {from_on: (monday + 2).to_s, to_on: (monday + 4).to_s, because: "a cold"}
    )
    before = planned.map { |session| [session.local_date, session.at_min] }
    expect(text_of("/athletes/#{athlete.id}/programme/anew")).to match(
      /11 Mar, 07:00: small holds moves to Mon 9 Mar, 07:00./
    )
    expect(planned.map { |session| [session.local_date, session.at_min] }).to eq before
    submit("/athletes/#{athlete.id}/programme/anew", "/athletes/#{athlete.id}/programme/anew")
    expect(planned.map(&:local_date).select { |date| date < monday + 7 }).to eq [monday, monday + 5]
    expect([one.reload.local_date, one.fixed]).to eq [monday + 5, true]
    expect(text_of("/athletes/#{athlete.id}/programme/anew")).to include("Nothing would change.")
  end

  it "what was done today stays where it was, and a false start is nothing that was done" do
    plan
    clock.now = Time.local(2026, 3, 9, 6, 30)
    false_start = run_set(prescription)
    false_start.rounds.each { |round| round.update!(held_ms: nil) }
    false_start.update!(done_ms: 4_000)
    marks = -> do
      page_of("/athletes/#{athlete.id}/programme")
        .css(".mark")
        .map { |mark| mark["class"][/mark-(done|missed|ahead)/, 1] }
        .tally
    end
    expect(marks.call).to eq("ahead" => planned.size)
    run_set(prescription)
    expect(marks.call).to include("done" => 1)
    expect(text_of("/athletes/#{athlete.id}/programme/anew")).to include("Nothing would change.")
    submit("/athletes/#{athlete.id}/programme/anew", "/athletes/#{athlete.id}/programme/anew")
    expect(marks.call).to include("done" => 1)
    refused = planned.first
    submit("/planned/#{refused.uuid}", "/planned/#{refused.uuid}/move", {date: (monday + 2).to_s, at_min: "420"})
    expect([last_response.status, text]).to match [422, include("It is done, or its day is over.")]
  end

  it "a verdict that counts is counted: the step is expected a session earlier, until a gasp begins the row anew" do
    first_step =
      lambda do
        Windlass::Actions::PlanProgramme.fill(Windlass::Records::Programme.sole, now: clock.now)
        planned.select { |one| one.local_date > clock.now.to_date }.index(&:expected)
      end
    judged =
      lambda do |date, **more|
        clock.now = Time.local(2026, 3, date, 7)
        set = Array.new(2) { run_set(prescription, **more) }.last
        Windlass::Actions::Decide
          .call(
            set,
            Windlass::Queries::JudgeDay.call(set),
            decided: Windlass::Queries::JudgeDay.call(set).verdict.to_s,
            because: nil,
            now: clock.now
          )
          .reasons
          .map { |reason| reason["text"] }
      end
    plan
    expect(judged[9]).to eq ["Clean, 1 of 2 in a row on this rung."]
    expect(first_step[]).to eq 1
    expect(judged[11, breaths: {2 => "gasp"}].first).to include("gasp")
    expect(first_step[]).to eq 2
  end

  it "a programme that begins later takes over what was planned until then" do
    plan
    clock.now = Time.local(2026, 3, 11, 6)
    before = planned.map { |one| [one.uuid, one.local_date] }
    submit(
      "/athletes/#{athlete.id}/programme/plan",
      "/athletes/#{athlete.id}/programme/plan",
      {:starts_on => (monday + 14).to_s, :weeks => "2", :easy_every => "", "times[#{prescription.id}]" => "2"}
    )
    kept = Windlass::Records::Programme.open.sole.planned_sessions.in_order.to_a
    expect(kept.map { |one| [one.uuid, one.local_date] } & before).to eq(
      before.select { |_, date| (clock.now.to_date...monday + 14).cover?(date) }
    )
    expect(kept.count { |one| one.local_date >= monday + 14 }).to eq 4
    expect(page_of("/").css(".slot-head h3").map { |head| head.text.split.join(" ") }).to eq [
      "07:00, Club lying on a mat or bed"
    ]
    expect(page_of("/athletes/#{athlete.id}/programme").css(".mark").size).to eq 4
  end

  it "Today follows it: what is planned now stands under its slot, the rest is folded" do
    clock.now = Time.local(2026, 3, 9, 6)
    other = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("quiet-breathing"), now: clock.now)
    plan
    expect(planned.first.prescription_id).to eq prescription.id
    get("/")
    expect(page.at(".slot-head h3").text.split.join(" ")).to eq "07:00, Club lying on a mat or bed"
    shown = -> { page.css("li[data-row][id^=prescription]").map { |row| [row["id"], row.ancestors("details").any?] } }
    expect([shown.call, text]).to match [[["prescription-#{prescription.id}", false]], /Not planned today: 1/]
    get("/?all=1")
    expect(shown.call).to eq [["prescription-#{prescription.id}", false], ["prescription-#{other.id}", true]]
    clock.now = Time.local(2026, 3, 10, 6)
    expect(text_of("/")).to include("Planned for yesterday and not done: small holds")
  end

  it "gives iCalendar that another reader reads, with names that stay, folded lines, and a feed that can be revoked" do
    plan
    first = planned.first
    file = get("/athletes/#{athlete.id}/programme.ics").body
    event = Icalendar::Calendar.parse(file).first.events.min_by(&:dtstart)
    expect([event.uid, Time.at(event.dtstart.to_i), event.summary, event.sequence.to_i]).to eq [
      "#{first.uuid}@windlass.invalid",
      Time.local(2026, 3, 9, 7),
      "Small holds",
      0
    ]
    expect(
      [file.lines.map { |line| line.chomp("\r\n").bytesize }.max, file.lines.all? { |line| line.end_with?("\r\n") }]
    ).to match [be <= 75, true]

    submit("/groups/#{group.id}", "/groups/#{group.id}/feed")
    address = page_of("/groups/#{group.id}").at("code.feed").text[%r{/feeds/\S+}]
    submit("/planned/#{first.uuid}", "/planned/#{first.uuid}/move", {date: (monday + 5).to_s, at_min: "420"})
    moved =
      Icalendar::Calendar
        .parse(get(address).body)
        .first
        .events
        .find { |one| one.uid == "#{first.uuid}@windlass.invalid" }
    expect([Time.at(moved.dtstart.to_i).day, moved.summary, moved.sequence.to_i]).to eq [
      14,
      "Ines Aldaya: Small holds",
      1
    ]
    # It ends with the right of whoever made it, and goes on once they have it again.
    coach = WebHelpers.seated.roles.where(kind: "coach")
    coach.update_all(until_on: clock.now.to_date - 1)
    expect(get(address).status).to eq 410
    coach.update_all(until_on: nil)
    expect(get(address).status).to eq 200
    submit("/groups/#{group.id}", "/feeds/#{Windlass::Records::Feed.sole.id}/revoke")
    expect([get(address).status, get("/feeds/#{"x" * 43}.ics").status]).to eq [404, 404]
  end

  it "sends an athlete their week in one press: a letter, a calendar and a page; where to is remembered" do
    plan
    sheet = "/athletes/#{athlete.id}/programme"
    clock.now = (monday + 8).to_time + 9 * 3600
    submit(sheet, "#{sheet}/send", post_to: "ines at quay")
    expect([last_response.status, page.at("#post_to")["value"], page.at("#fault-post_to").text]).to match [
      422, "ines at quay", /"ines at quay" is no address; allowed: one, such as/
    ]
    submit(sheet, "#{sheet}/send", post_to: "ines@quay.example")
    Delayed::Worker.new.work_off
    letter = Windlass::Post.outbox.last
    expect(letter.values_at(:to, :subject, :files)).to eq [
      "ines@quay.example", "Your week 2", %w[week-2.ics week-2.pdf]
    ]
    expect(letter[:text]).to match(/Mon 16 Mar  07:00  Small holds, \d+ min/)
    expect([get(sheet) && page.at("#post_to")["value"], athlete.reload.post_to]).to eq ["ines@quay.example"] * 2
  end

  it "prints a week on one page" do
    plan
    [
      ["/athletes/#{athlete.id}/programme/week.pdf?on=#{monday}", "week1of4"],
      ["/groups/#{group.id}/week.pdf?on=#{monday}", "Club,weekofMon9Mar"]
    ].each do |path, title|
      reader = PDF::Reader.new(StringIO.new(get(path).body))
      expect([reader.page_count, reader.pages.first.text.delete(" \n")]).to match [1, include(title, "07:00Smallholds")]
    end
  end

  it "the load says who is over the line, and who was not measured for long" do
    7.times { |back| run_set(prescription, at: clock.now - (35 - 5 * back) * 86_400) }
    clock.now += 60 * 86_400
    expect(text_of("/programme/load?group=#{group.id}")).to include("8 weeks ago: measure anew")
    expect(get("/programme/load").status).to eq 200
  end

  def text_of(path) = get(path) && text

  def page_of(path) = get(path) && page
end
