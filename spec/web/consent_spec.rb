# frozen_string_literal: true

require "web_helper"

# What is kept of somebody, and why: before they agreed, nothing about their health is.
RSpec.describe "Consent", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }
  let(:path) { "/athletes/#{athlete.id}/consent" }

  def today = clock.now.to_date

  def made_link
    submit(path, "/athletes/#{athlete.id}/consent-links")
    get(path)
    page.at(".secret-link").text[%r{/consents/\S+}]
  end

  # Whoever holds the link, and nothing else.
  def nobody_signed_in
    before, WebHelpers.seated = WebHelpers.seated, false
    yield
  ensure
    WebHelpers.seated = before
  end

  def never_agreed
    Windlass::Records::Consent.where(athlete: athlete).delete_all
    athlete.consents.reset
  end

  # A form on a page that has no head of its own.
  def press(from, to, **fields)
    get(from)
    post(to, fields.merge(authenticity_token: page.at("[name=authenticity_token]")["value"]))
  end

  # Every way in which something about health is written down.
  def ways
    said = {uuid: SecureRandom.uuid, taken_on: today, note: ""}
    entry = Windlass::Log::Entry.new(date: today, at: nil, rounds: [], effort: 3, symptoms: [], note: "")
    cold = {stage: 1, minutes: 1.0, calm: true, why_out: Windlass::Cold::WHY_OUT.keys.first}
    other = make_athlete(name: "Tobias")
    actions = Windlass::Actions
    {
      screening: -> { actions::KeepScreening.call(athlete, [], guardian_consent_on: nil, now: clock.now) },
      day: -> { actions::KeepDay.call(athlete, {}, now: clock.now) },
      pause: -> {
        actions::TakeControlPause.call(athlete,
          {seconds: 20, on_waking: true, ended_by: "diaphragm", first_breath: "calm", **said}, now: clock.now)
      },
      numbers: -> do
        actions::TakeMeasure.call(athlete, Windlass::Measures.kind("resting_numbers"), {breaths: 8, pulse: 60, **said},
          now: clock.now)
      end,
      cold: -> { actions::LogCold.call(athlete, {**said, **cold}, now: clock.now) },
      session: -> { actions::PlanSession.call(prescription, now: clock.now) },
      written_in: -> { actions::PastSession.call(prescription, [entry], now: clock.now) },
      water: -> do
        pair = [athlete, other].to_h { |diver| [diver.id.to_s, "1"] }
        actions::PlanWater.call(account, pair, clear: pair.keys, now: clock.now)
      end
    }
  end

  # @return [String, nil] why it is refused; nothing of it stays
  def refusal(way)
    Windlass::Records::Record.transaction(requires_new: true) { way.call && raise(ActiveRecord::Rollback) }
  rescue Windlass::Error => error
    error.message
  end

  def closed = ways.select { |_, way| refusal(way).to_s.include?("agreed yet to what is kept") }.keys

  it "opens every way in which something about health is written down, and closes them all where it is taken back" do
    prescription
    expect(closed).to eq []
    submit(path, "#{path}/end")
    athlete.reload
    expect(closed).to eq ways.keys
    expect(get("/").body).to include("Ines Aldaya has not agreed yet to what is kept")
    submit(path, path)
    athlete.reload
    expect(closed).to eq []
    expect(athlete.consents.order(:id).map { |one| [one.version, one.ended_at.nil?, one.written_by] }).to eq [
      [1, false, ""], [1, true, "Maren"]
    ]
  end

  it "is missed before anything is typed that would not be kept" do
    pages = %w[screening control-pauses/new measures/maximal_hold/new cold]
    ways = pages.map { |name| "/athletes/#{athlete.id}/#{name}" }
    said = -> { ways.map { |way| get(way).body.include?("Nothing is kept before, but what stops somebody") } }
    expect(said.call.uniq).to eq [false]
    never_agreed
    expect(said.call.uniq).to eq [true]
  end

  it "keeps what stops somebody all the same" do
    never_agreed
    kind = Windlass::Measures.kind("maximal_hold")
    said = {seconds: 90, eventful: "stop", first_breath: "gasp", uuid: SecureRandom.uuid, taken_on: today, note: ""}
    Windlass::Actions::TakeMeasure.call(athlete, kind, said, now: clock.now)
    expect(athlete.suspensions.reload.map(&:kind)).to eq ["stop"]
  end

  it "is due after the days that whoever was here before is given, and Today says so" do
    never_agreed
    athlete.update!(consent_due_on: today + 3)
    prescription
    expect([closed, get("/").body]).to match [[], include("From 6 March 2026 on nothing new is kept without")]
    clock.now += 4 * 86_400
    expect(closed).to eq ways.keys
  end

  it "is missed in the athlete's own words, where they come by a link for a morning score" do
    never_agreed
    link = morning_links.path(athlete)
    nobody_signed_in { expect([get(link).status, text]).to match [422, /Nobody has agreed yet to what is kept of you/] }
  end

  describe "of somebody under age" do
    let(:athlete) { make_athlete(born_on: today - 17 * 365) }

    before { never_agreed }

    it "is a guardian's, by name; it ends with the eighteenth birthday, and so does the guardian's link" do
      submit(path, path)
      expect([last_response.status, text]).to match [422, include("Guardian's name: is missing: who agrees for them")]
      link = made_link
      nobody_signed_in do
        press(link, link, guardian: "Pilar Aldaya")
        expect(get(link).body).to include("Pilar Aldaya, for Ines Aldaya, agreed on 2 March 2026.")
        traced = Windlass::Records::TraceEntry.order(:id).last
        expect([Windlass::Trace.words(traced), traced.athlete_id, traced.subject]).to eq [
          "agreed to what is kept, by link", athlete.id, "consents"
        ]
        copy = JSON.parse(get("#{link}/data.json").body)
        expect([copy["athletes"].size, copy["consents"].first["guardian"]]).to eq [1, "Pilar Aldaya"]
        clock.now = athlete.born_on.next_year(18).to_time - 1
        expect([Windlass::Consents.missing?(athlete.reload, today), get(link).status]).to eq [false, 200]
        clock.now += 1
        expect([Windlass::Consents.missing?(athlete, today), get(link).status]).to eq [true, 404]
      end
    end

    it "is taken back by the guardian; a link that was revoked opens nothing, neither page nor copy" do
      link = made_link
      nobody_signed_in do
        press(link, link, guardian: "Pilar Aldaya")
        press(link, "#{link}/end")
        expect([athlete.reload.consents.sole.ended_at,
          get(link).body]).to match [clock.now, include("It was taken back on")]
      end
      submit(path, "/athletes/#{athlete.id}/consent-links/#{Windlass::Records::ConsentLink.sole.id}/revoke")
      nobody_signed_in { expect([link, "#{link}/data.json", "#{link}x"].map { |one| get(one).status }).to eq [404] * 3 }
    end
  end

  it "is the athlete's own on their page, with a copy of everything but what their coach noted for themselves" do
    athlete.update!(notes: "Talks too much")
    other = make_athlete(name: "Tobias Unseen").tap { |one| make_pause(one, 33.0) }
    person = Windlass::Records::Person.create!(
      account_id: account.id, uuid: SecureRandom.uuid, name: "Ines", login: "ines", made_at: clock.now
    )
    person.roles.create!(kind: "athlete", athlete: athlete, from_on: today)
    WebHelpers.seated = person
    press("/mine", "/mine/consent/end")
    expect(Windlass::Consents.missing?(athlete.reload, today)).to be true
    press("/mine", "/mine/consent")
    expect(Windlass::Consents.missing?(athlete.reload, today)).to be false
    copy = get("/mine/data.json").body
    expect(JSON.parse(copy)["measures"].map { |one| one["value"] }).to eq [24.0]
    expect(copy + get("/mine/measures.csv").body).not_to match(/Talks too much|#{other.name}|\b33\.0\b/)
  end
end
