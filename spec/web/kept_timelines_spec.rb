# frozen_string_literal: true

require "web_helper"

RSpec.describe Windlass::Records::KeptTimeline, :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }

  it "stands once, however many sessions run it" do
    prescription = prescribe(athlete)
    sets = Array.new(3) { |back| run_set(prescription, at: clock.now - back * 86_400) }
    expect([described_class.count, sets.map(&:timeline_id).uniq.size]).to eq [1, 1]
    expect(sets.last.reload.to_timeline.total_ms).to eq sets.first.to_timeline.total_ms
  end

  it "is another where a breath of it is another; the one that was run stays as it was" do
    prescription = prescribe(athlete)
    session = run_set(prescription)
    before = session.segments
    session.update!(
      segments:
        before.map.with_index do |segment, index|
          index.zero? ? segment.merge("seconds" => segment["seconds"] + 1) : segment
        end
    )
    expect([described_class.count, session.reload.segments.first["seconds"] - before.first["seconds"]]).to eq [2, 1]
    expect(described_class.order(:id).first.segments).to eq before
  end

  it "is found again by what it says, when many are kept at once, with doubles among them" do
    plans = [
      [{"kind" => "hold", "ms" => 1000}],
      [{"kind" => "breathe", "ms" => 2000}],
      [{"kind" => "hold", "ms" => 1000}]
    ]
    ids = described_class.keep(plans)
    expect([ids.size, described_class.keep(plans.reverse), described_class.find(ids.fetch(plans[1])).segments]).to eq [
      2,
      ids,
      plans[1]
    ]
    expect(described_class.keep([])).to eq({})
  end
end
