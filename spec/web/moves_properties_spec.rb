# frozen_string_literal: true

require "web_helper"

# Whatever is moved wherever: what was said to be open can be taken, what was said to be closed can't, and no day comes
# about that Today would refuse for what is known now.
RSpec.describe "Moving planned sessions", :web, :both_databases do
  let(:monday) { Date.new(2026, 3, 9) }

  let(:programme) do
    athlete = make_athlete.tap { |one| make_pause(one) }
    {"maximal_hold" => 110}.each do |kind, seconds|
      Windlass::Actions::TakeMeasure.keep(
        athlete,
        Windlass::Measures.kind(kind),
        {
          uuid: SecureRandom.uuid,
          taken_on: clock.now.to_date - 10,
          seconds: seconds,
          first_breath: "smooth",
          eventful: "no",
          watcher: "Jo"
        },
        now: clock.now
      )
    end
    [
      [1, 420, 30], [1, 1080, 60], [2, 420, 30], [3, 1080, 60], [4, 420, 30], [5, 1080, 60], [6, 540, 60]
    ].each { |day, at, minutes| athlete.slots.create!(day: day, at_min: at, minutes: minutes) }
    Windlass::Records::Event.create!(athlete: athlete, local_date: monday + 19, kind: "competition")
    Windlass::Records::Event.create!(athlete: athlete, local_date: monday + 5, kind: "water", at_min: 600)
    times =
      {"small-holds" => 3, "co2-table" => 2, "o2-table" => 1, "quiet-breathing" => 3}.to_h do |id, count|
        [Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now).id, count]
      end
    Windlass::Actions::PlanProgramme
      .begin([athlete], times: times, starts_on: monday, weeks: 3, easy_every: nil, now: clock.now)
      .first
      .tap { |one| Windlass::Actions::PlanProgramme.fill(one, now: clock.now) }
  end

  def strenuous?(planned) = planned.to_protocol.strenuous?

  # What was missed is held by nobody.
  def sums(planned) =
    (0...3).map do |number|
      planned
        .select { |one| one.local_date >= clock.now.to_date && (one.local_date - monday).to_i / 7 == number }
        .sum(&:hold_seconds)
    end

  # Nothing was held before: from the third week on two are known.
  def over_the_line?(planned) =
    sums(planned).then do |first, second, third|
      [first, second].none?(&:zero?) && third > 1.3 * (first + second) / 2 + 1
    end

  # Looked at from outside, in what stands in the tables.
  def faults(programme)
    planned = programme.planned_sessions.reset.to_a
    moments =
      planned
        .select { |one| strenuous?(one) }
        .map { |one| [one.local_date.jd * 86_400 + one.begins_min * 60, one.seconds] }
        .sort
    [
      ("strenuous" if moments.each_cons(2).any? { |(at, seconds), (other, _)| other - at - seconds < 48 * 3600 }),
      (
        if planned
             .group_by { |one| [one.local_date, one.at_min] }
             .values
             .any? { |beside| beside.sum(&:seconds) > beside.first.slot_minutes * 60 }
          "minutes"
        end
      ),
      ("ramp" if over_the_line?(planned)),
      ("loads" if programme.reload.loads.map { |load| load["hold_s"] } != sums(planned).map(&:round)),
      (
        if planned.group_by(&:local_date).values.any? { |day| day.count { |one| one.to_protocol.once_a_day? } > 1 }
          "tables"
        end
      ),
      ("event" if planned.any? { |one| (0..1).cover?(monday + 19 - one.local_date) && one.to_protocol.column }),
      ("twice" if planned.group_by { |one| [one.key, one.local_date] }.values.any? { |same| same.size > 1 }),
      (
        if planned
             .group_by { |one| [one.local_date, one.at_min] }
             .values
             .any? { |beside|
               beside
                 .sort_by(&:begins_min)
                 .each_cons(2)
                 .any? { |one, other| other.begins_min < one.begins_min + one.seconds / 60.0 }
             }
          "turn"
        end
      )
    ].compact
  end

  it "keeps every wall through forty moves, each of which was said to be open, and none that was said to be closed" do
    chance = Random.new(3)
    expect(faults(programme)).to eq []
    moved = refused = 0
    40.times do
      planned = programme.planned_sessions.reset.to_a.sample(random: chance)
      choices = Windlass::Queries::SlotTrial.choices(planned, now: clock.now)
      expect(choices.count(&:here)).to eq 1
      choice = choices.reject(&:here).sample(random: chance)
      begin
        Windlass::Actions::MovePlanned.call(
          planned, date: choice.date, at_min: choice.slot.at_min, seen: planned.sequence, now: clock.now
        )
        expect(choice.refusal).to be_nil
        moved += 1
      rescue Windlass::Error => error
        expect(error.message).to eq choice.refusal
        refused += 1
      end
      expect(faults(programme)).to eq []
    end
    expect([moved, refused]).to all(be > 5)
  end

  it "comes back to the same plan when nothing changed, and to one that keeps its walls when days are lost" do
    before = programme.planned_sessions.map { |one| [one.key, one.local_date, one.at_min, one.uuid] }
    Windlass::Actions::PlanProgramme.fill(Windlass::Records::Programme.find(programme.id), now: clock.now)
    expect(programme.planned_sessions.reset.map { |one| [one.key, one.local_date, one.at_min, one.uuid] }).to eq before

    Windlass::Records::Absence.create!(athlete: programme.athlete, from_on: monday + 3, to_on: monday + 8)
    clock.now = Time.local(2026, 3, 11, 6)
    Windlass::Actions::PlanProgramme.fill(Windlass::Records::Programme.find(programme.id), now: clock.now)
    after = programme.planned_sessions.reset.to_a
    expect(faults(programme)).to eq []
    expect(after.none? { |one| one.local_date.between?(monday + 3, monday + 8) }).to be true
    # What lies before today is as it was, and what stays is the same session to a calendar.
    expect(after.select { |one| one.local_date < monday + 2 }.map(&:uuid)).to eq(
      before.select { |_, date, _, _| date < monday + 2 }.map(&:last)
    )
    expect((after.map(&:uuid) & before.map(&:last)).size).to be > after.size / 3
  end
end
