# frozen_string_literal: true

require "web_helper"

# The key that lies with a deck: what was marked by right comes home, whoever is signed in by then.
RSpec.describe "The key of a run", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:session) { plan(prescribe(athlete)) }
  let(:coach) { WebHelpers.keeper }

  # As it lies with a deck that somebody opened.
  def key_of(run = session)
    get("/sessions/#{run.uuid}/deck")
    JSON.parse(page.at("#plan").text).fetch("key")
  end

  # @param ago [Array<Integer>] seconds since each mark
  def sent(key, *ago, run: session)
    get("/token")
    header("X-CSRF-Token", JSON.parse(last_response.body).fetch("token"))
    events = ago.map { |seconds| {uuid: SecureRandom.uuid, kind: "start", at_ms: 0, ago_ms: seconds * 1000} }
    post("/sessions/#{run.uuid}/events", JSON.generate(key: key, events: events), "CONTENT_TYPE" => "application/json")
    return last_response.status unless last_response.ok?

    JSON.parse(last_response.body).then { |said| [said["kept"].size, said["refused"].map { |one| one["why"] }] }
  end

  def marked_by = session.journal_events.order(:id).pluck(:marked_by)

  it "sends its marks after a sign-out, and beside somebody else; each is whose deck it was" do
    session
    mine = key_of
    WebHelpers.seated = other = Windlass::Records::Person.create!(
      account_id: account.id, uuid: SecureRandom.uuid, name: "Lene", login: "lene", made_at: clock.now
    )
    other.roles.create!(kind: "coach", of_all: true, from_on: Date.new(2020, 1, 1))
    theirs = key_of
    expect([sent(mine, 5), sent(theirs, 5)]).to eq [[1, []], [1, []]]
    WebHelpers.seated = false
    expect(sent(mine, 5)).to eq [1, []]
    expect(marked_by).to eq [coach, other, coach].map(&:uuid)
    expect(session.reload.run_by).to eq coach.uuid

    WebHelpers.seated = nil
    get("/sessions/#{session.uuid}")
    expect(text).to include "Maren"
  end

  it "opens nothing else, no other run, and nothing once it was changed or is three weeks old" do
    key = key_of
    other = plan(prescribe(make_athlete(name: "Odd Falkenrath").tap { |one| make_pause(one) }))
    WebHelpers.seated = false
    wrong = [nil, "", key.next, key.sub(/\A\d/) { |sign| sign.to_i.succ.modulo(10).to_s }, key.sub("-0-", "-1-")]
    expect(wrong.map { |one| sent(one, 5) }).to all eq 401
    expect(sent(key, 5, run: other)).to eq 401
    pages = %w[deck told oximeter].map { |part| "/sessions/#{session.uuid}/#{part}?key=#{key}" }
    expect(pages.map { |path| get(path).status }).to all eq 303
    clock.now += 20 * 86_400
    expect(sent(key, 5)).to eq [1, []]
    clock.now += 2 * 86_400
    expect([sent(key, 5), marked_by.size]).to eq [401, 1]
  end

  it "brings what was made before a right ended, and refuses what was made after it, by name" do
    key = key_of
    Windlass::Actions::GiveRole.end(coach.roles.find_by(kind: "coach"), now: clock.now - 60)
    expect(sent(key, 90, 30)).to eq [1, ["was made after the right to it had ended"]]
    expect(get("/sessions/#{session.uuid}/deck").status).to eq 404
  end

  it "does so for a phone that was revoked, too" do
    phone = Windlass::Records::Device.create!(
      account_id: account.id, athlete: athlete, link_digest: "x", made_by: coach.id, made_at: clock.now,
      ends_at: clock.now, bound_at: clock.now, person: coach
    )
    key = Windlass::RunKeys.new(Windlass::Security.secret, maker: coach.id, device: phone, at: clock.now).key(session)
    WebHelpers.seated = false
    expect(sent(key, 90)).to eq [1, []]
    Windlass::Actions::BindDevice.revoke(phone, now: clock.now - 60)
    expect(sent(key, 90, 30)).to eq [1, ["was made after the right to it had ended"]]
  end
end
