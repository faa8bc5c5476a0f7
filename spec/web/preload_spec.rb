# frozen_string_literal: true

require "web_helper"
require_relative "../../app/rooms"

# What is looked at before the door opens, so that nobody waits for it.
RSpec.describe Windlass::Preload, :web do
  let(:seen) { [] }
  let(:watched) { ->(request) { app.call(request).tap { |status, _, _| seen << [request["PATH_INFO"], status] } } }

  it "is there in a house of nobody" do
    described_class.up(watched)
    expect(seen.map(&:last).uniq).to eq [200]
  end

  it "is a page of each kind where there is somebody, and changes nothing" do
    prescription = prescribe(make_athlete.tap { |one| make_pause(one) })
    session = run_set(prescription, at: clock.now - 86_400)
    before = session.reload.attributes
    described_class.up(watched)

    id = prescription.athlete_id
    expect(seen.map(&:first)).to include(
      "/",
      "/athletes/#{id}",
      "/sessions/#{session.uuid}",
      "/sessions/#{session.uuid}/deck",
      "/prescriptions/#{prescription.id}",
      "/water"
    )
    expect(
      [seen.map(&:last).uniq, session.reload.attributes, session.journal_events.pluck(:kind).tally["start"]]
    ).to eq [[200], before, 1]
  end

  it "is the sheet of each athlete, as long as nobody waits for long" do
    sheets = Array.new(3) { |number| "/athletes/#{make_athlete(name: "Athlete #{number}").id}" }
    looked_at = ->(seconds) do
      seen.clear
      described_class.up(watched, clock: -> { seconds.shift })
      sheets.count { |sheet| seen.include?([sheet, 200]) }
    end
    expect(looked_at.call([0, 1, 2, 2.9])).to eq 3
    expect(looked_at.call([0, 1, 3])).to eq 1
  end

  it "has no helper of a route that takes the name of another's" do
    rooms = Windlass::Routes.constants.map { |name| Windlass::Routes.const_get(name) }
    helpers = rooms.filter_map { |room| room.const_get(:Helpers, false) if room.const_defined?(:Helpers, false) }
    names = helpers.flat_map { |one| one.instance_methods(false) + one.private_instance_methods(false) }
    expect(names.size).to be > 50
    expect(names.tally.select { |_, times| times > 1 }.keys).to eq []
  end
end
