# frozen_string_literal: true

require "web_helper"

# The journal under a bad network: pieces that come late, twice, out of order, over a page that is loaded again.
RSpec.describe "The journal under a bad network", :web, :both_databases do
  let(:prescription) { prescribe(make_athlete.tap { |one| make_pause(one) }) }

  def fresh_session
    Windlass::Records::Session.where(state: %w[planned running]).update_all(state: "done", started_at: clock.now)
    Windlass::Actions::PlanSession.call(prescription, now: clock.now)
  end

  def rounds_of(session) = session.rounds.reload.map { |round| round.attributes.except("id", "session_id") }

  it "comes to the same rounds and the same state, whatever the way there" do
    straight = fresh_session
    events =
      journal(straight, breaths: {2 => "gasp", 7 => "deeper"}) +
      [
        {kind: "first_urge", at_ms: 128_100, round: 1},
        {kind: "contraction", at_ms: 129_000, round: 1}
      ].map { |one| one.merge(uuid: SecureRandom.uuid) }
    Windlass::Actions::KeepJournal.call(straight, events, now: clock.now)
    expected = rounds_of(straight)

    5.times do |seed|
      random = Random.new(seed)
      crooked = fresh_session
      renamed = events.map { |event| event.merge(uuid: SecureRandom.uuid) }
      deliveries =
        (renamed + renamed.sample(20, random: random)).shuffle(random: random).each_slice(random.rand(1..9)).to_a
      deliveries.each { |batch| Windlass::Actions::KeepJournal.call(crooked, batch, now: clock.now) }

      expect(rounds_of(crooked)).to eq expected
      expect([crooked.reload.state, crooked.journal_events.count]).to eq ["done", events.size]
    end
  end

  it "reckons nothing where nothing is new: what is sent again, and where the run stands" do
    session = fresh_session
    events = journal(session).first(9)
    Windlass::Actions::KeepJournal.call(session, events, now: clock.now)
    kept = [rounds_of(session), session.reload.attributes.except("told", "told_at")]
    expect(Windlass::Timeline::Replay).not_to receive(:rounds)
    again = Windlass::Actions::KeepJournal.call(session, events.reverse, now: clock.now + 5, told: {"index" => 4})
    send_json("/sessions/#{session.uuid}/events", events: [], state: {index: 5, at: 61_000, live: true})

    expect([again.sort, last_response.status]).to eq [events.map { |event| event[:uuid] }.sort, 200]
    expect([rounds_of(session), session.reload.attributes.except("told", "told_at")]).to eq kept
  end

  it "believes the later of two words that were said in one moment" do
    session = fresh_session
    start, *, finish = journal(session)
    said =
      ("a".."f").map do |letter|
        {uuid: "#{letter.ord - 90}#{SecureRandom.uuid[1..]}", kind: "first_breath", at_ms: 130_000, round: 1}
      end
    words = %w[smooth deeper gasp deeper gasp smooth]
    said.reverse.zip(words).each do |mark, word|
      Windlass::Actions::KeepJournal.call(session, [start, mark.merge(value: word)], now: clock.now)
      expect(session.rounds.reload.first.first_breath).to eq word
    end
    Windlass::Actions::KeepJournal.call(session, [finish], now: clock.now)
    expect(session.rounds.reload.first.first_breath).to eq "smooth"
  end

  it "asks and writes as little for a mark late in a session as for an early one" do
    session = fresh_session
    statements =
      journal(session).select { |event| event[:kind] == "hold_end" }.map do |mark|
        asked = []
        ActiveSupport::Notifications.subscribed(
          ->(*, said) { asked << said[:sql] if said[:name] != "SCHEMA" && said[:sql].include?('"rounds"') },
          "sql.active_record"
        ) { Windlass::Actions::KeepJournal.call(session, [mark], now: clock.now) }
        asked.size
      end
    expect(statements.uniq.size).to eq 1
  end

  it "keeps what the coach wrote on the sheet when a late mark arrives" do
    session = fresh_session
    *early, late = journal(session)
    Windlass::Actions::KeepJournal.call(
      session,
      early.reject { |event| event[:round] == 5 && event[:kind] == "first_breath" } + [late],
      now: clock.now
    )
    session.rounds.find_by(number: 5).update!(first_breath: "deeper")
    Windlass::Actions::KeepJournal.call(
      session,
      [{uuid: SecureRandom.uuid, kind: "first_urge", at_ms: 200_000, round: 4}],
      now: clock.now
    )

    expect(session.rounds.find_by(number: 5).first_breath).to eq "deeper"
  end

  it "lets a finish stand against a stop that comes later, and ends once" do
    session = fresh_session
    Windlass::Actions::KeepJournal.call(session, journal(session), now: clock.now)
    ended = session.reload.ended_at
    Windlass::Actions::KeepJournal.call(
      session,
      [{uuid: SecureRandom.uuid, kind: "stop", at_ms: 419_000}],
      now: clock.now + 60
    )

    expect(session.reload).to have_attributes(state: "done", ended_at: ended)
  end

  it "gives a session's events to that session alone, and takes no more than a batch" do
    session = fresh_session
    other = journal(session).first(2)
    send_json("/sessions/#{session.uuid}/events", events: other)
    send_json("/sessions/#{SecureRandom.uuid}/events", events: other)
    expect(last_response.status).to eq 404

    send_json("/sessions/#{session.uuid}/events", events: other * 400)
    expect([last_response.status, last_response.body]).to match [422, /up to 500/]
    expect(session.journal_events.count).to eq 2
  end
end
