# frozen_string_literal: true

require "web_helper"

# A form has a uuid: sent twice it is one, and what is somebody else's is not taken for one's own.
RSpec.describe "What is sent twice", :web, :both_databases do
  let(:athlete) { make_athlete }
  let(:other) { make_athlete(name: "Odd Falkenrath") }
  let(:uuid) { SecureRandom.uuid }

  def pause(one, seconds) =
    Windlass::Actions::TakeControlPause.call(
      one,
      {
        uuid: uuid, seconds: seconds, ended_by: "diaphragm", first_breath: "calm", on_waking: true,
        taken_on: clock.now.to_date, note: ""
      },
      now: clock.now
    )

  # Another process is quicker: between the look and the writing its row is there.
  def overtaken(among)
    before = among.method(:find_by)
    looks = 0
    allow(among).to receive(:find_by) { |*args| ((looks += 1) == 1) ? nil : before.call(*args) }
    among
  end

  it "is what was kept first" do
    first = pause(athlete, 24)
    expect([pause(athlete, 30), athlete.measures.sole.value]).to eq [first, 24]
  end

  it "is that also where both came at the same moment" do
    first = pause(athlete, 24)
    again = Windlass::Records::Record.once(overtaken(athlete.measures), uuid) { first.dup.tap(&:save!) }
    expect([again, athlete.measures.count]).to eq [first, 1]
  end

  it "is refused where it is another's, and nothing of it is written" do
    pause(other, 24)
    expect { pause(athlete, 30) }.to raise_error(ActiveRecord::RecordNotUnique)
    submit(
      "/athletes/#{athlete.id}/control-pauses/new",
      "/athletes/#{athlete.id}/control-pauses",
      uuid: uuid,
      seconds: "30",
      ended_by: "diaphragm",
      first_breath: "calm",
      on_waking: "true",
      taken_on: clock.now.to_date.iso8601
    )
    expect([last_response.status, athlete.measures.count, other.measures.sole.value]).to eq [409, 0, 24]
  end

  it "is nothing of the kind without a uuid" do
    made = Array.new(2) { Windlass::Records::Record.once(athlete.screenings, nil) { screen(athlete) } }
    expect(made.map(&:id).uniq.size).to eq 2
  end

  it "keeps nothing where what it does fails" do
    expect {
      Windlass::Records::Record.once(athlete.measures, uuid) { make_pause(athlete) && raise(Windlass::Error, "no") }
    }.to raise_error(Windlass::Error)
    expect(athlete.measures.count).to eq 0
  end
end
