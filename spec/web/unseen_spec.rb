# frozen_string_literal: true

require "web_helper"

# Many rows at once: never seen by half, and the database is not held for long.
RSpec.describe Windlass::Records::Unseen, :web, :both_databases do
  let(:athlete) { make_athlete }
  let(:dives) do
    Array.new(450) do |number|
      Windlass::Water::Dive.new(
        down: clock.now - 86_400 * 30 + number * 300,
        seconds: 240.0,
        depth_m: 10.0,
        hard: false
      )
    end
  end

  def read(some) = Windlass::Actions::ReadDives.call(athlete, some, now: clock.now)

  def kept = Windlass::Records::Dive.where(athlete: athlete)

  it "brings dives in once, flags what was begun too early beside those that were there, and shows all of them in " \
    "one step" do
    read(dives.values_at(0, 3))
    expect(kept.where(short: true)).to be_empty
    seen = []
    watcher =
      ActiveSupport::Notifications.subscribe("sql.active_record") do |*, payload|
        seen << kept.count if payload[:sql].start_with?("INSERT INTO \"dives\"")
      end
    expect([read(dives), read(dives), kept.count]).to eq [448, 0, 450]
    ActiveSupport::Notifications.unsubscribe(watcher)

    expect(seen).to eq [2] * (448.0 / described_class::BATCH).ceil
    rests =
      kept
        .in_order
        .group_by(&:local_date)
        .values
        .flat_map { |day| Windlass::Water::Surface.rests(day.map(&:to_core)).map(&:short) }
    expect(kept.in_order.pluck(:short)).to eq rests
    expect(rests).to include true
  end

  it "shows nothing of what was killed in the middle, and the next time sweeps it away" do
    described_class.new(Windlass::Records::Dive, {athlete_id: athlete.id}).write(
      [
        {
          account_id: account.id,
          athlete_id: athlete.id,
          uuid: SecureRandom.uuid,
          down_at: dives[0].down,
          local_date: dives[0].down.to_date,
          seconds: 60,
          hard: false
        }
      ]
    )
    expect(kept.count).to eq 0
    read(dives.first(3))
    expect([kept.count, Windlass::Records::Dive.unscoped.count]).to eq [3, 3]
  end
end
