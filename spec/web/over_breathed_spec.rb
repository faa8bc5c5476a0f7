# frozen_string_literal: true

require "web_helper"

# Days on which over-breathing was practised, found among few rows. Each session says the same of itself.
RSpec.describe "Days of over-breathing", :web do
  let(:athlete) do
    make_athlete(disciplines: %w[freediving surfing]).tap { |one| make_pause(one, 25) && make_hold(one) }
  end
  let(:random) { Random.new(5) }

  def make_hold(one) =
    one.measures.create!(
      account_id: 1,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 150,
      taken_at: clock.now - 90 * 86_400,
      details: {}
    )

  def live(ids, days)
    prescriptions =
      ids.map { |id| Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now) }
    days.times do |back|
      prescription = prescriptions.sample(random: random)
      washout = [
        nil,
        0.0,
        3.2,
        Windlass::Physiology::OVER_BREATHED_MMHG - 0.1,
        Windlass::Physiology::OVER_BREATHED_MMHG,
        14.0
      ].sample(random: random)
      session =
        prescription.sessions.create!(
          Windlass::Actions::PlanSession.written(prescription, on: clock.now.to_date - back, now: clock.now).merge(
            uuid: SecureRandom.uuid,
            state: %w[done stopped].sample(random: random),
            done_ms: [0, 60_000].sample(random: random),
            washout: washout,
            discarded_at: (clock.now if random.rand < 0.2),
            started_at: clock.now - back * 86_400,
            ended_at: clock.now - back * 86_400 + 600
          )
        )
      session.rounds.create!(number: 1, hold: 1, held_ms: [0, 5_000].sample(random: random)) if random.rand < 0.7
    end
  end

  it "are those of whose sessions each says so itself" do
    live(%w[small-holds deep-rounds quiet-breathing bellows], 60)
    since = clock.now.to_date - 40
    all =
      Windlass::Records::Session.outlines([athlete.id], since: since).map(&:last).select { |past| past.date >= since }
    said = all.select(&:over_breathed).map(&:date)

    expect(said.size).to be_between(5, all.size - 5)
    expect(Windlass::Records::Session.over_breathed_days(athlete.id, since: since).sort).to eq said.sort
  end
end
