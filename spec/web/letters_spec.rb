# frozen_string_literal: true

require "web_helper"

RSpec.describe "A letter to a clinician", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }

  def letter
    get("/athletes/#{athlete.id}/screening")
    post("/athletes/#{athlete.id}/letters", authenticity_token: page.at("[name=authenticity_token]")["value"])
    get("/athletes/#{athlete.id}/screening")
    page.at(".secret-link").text.strip[%r{/letters/\S+}]
  end

  def answer(link, **fields)
    get(link)
    post(link, fields.merge(authenticity_token: page.at("[name=authenticity_token]")["value"]))
  end

  given = {"families[]": "tables", expires_on: "2026-08-01", clinician: "Dr. Amrit Vale, harbour clinic"}.freeze

  it "is answered once, by whoever holds its link; only the coach's press lifts a stop with it" do
    run = run_set(prescribe(athlete))
    stop = athlete.suspensions.create!(
      account_id: account.id, kind: "stop", opened_at: clock.now, reason: "A fit after surfacing.", session: run
    )
    link = letter
    get("/athletes/#{athlete.id}/screening")
    expect(page.at(".secret-link")).to be_nil

    coach = WebHelpers.seated
    WebHelpers.seated = false
    get(link)
    expect(text).to include("Ines Aldaya, born on 1 April 1995", "A fit after surfacing.", "Small holds")
    answer(link, **given, expires_on: "2029-01-01")
    expect([last_response.status, page.at("[name=clinician]")["value"]]).to eq [422, given[:clinician]]
    answer(link, **given)
    expect(text).to include "The coach has your answer"
    expect([get(link).status, stop.reload.lifted_at, athlete.clearances.count]).to eq [404, nil, 0]

    WebHelpers.seated = coach
    get("/")
    expect(text).to include "A clinician has answered"
    get("/athletes/#{athlete.id}/screening")
    expect(text).to include "Dr. Amrit Vale, harbour clinic answered on 2 March 2026"
    taken = page.at("form[action$='/take']")["action"]
    submit("/athletes/#{athlete.id}/screening", taken)
    cleared = athlete.clearances.reload.sole
    expect([cleared.families, cleared.expires_on,
      cleared.clinician]).to eq [["tables"], Date.new(2026, 8, 1), given[:clinician]]
    expect(stop.reload).to have_attributes(lifted_at: clock.now, clinician: given[:clinician])
    submit("/athletes/#{athlete.id}/screening", taken)
    expect([last_response.status, athlete.clearances.count]).to eq [404, 1]
  end

  it "is dead after thirty days, once its maker coaches the athlete no more, and after the athlete left" do
    late, ended, left = Array.new(3) { letter }
    states = [
      -> { clock.now += 31 * 86_400 },
      -> { WebHelpers.seated.roles.each { |role| role.update!(until_on: clock.now.to_date - 1) } },
      -> { athlete.update!(left_on: clock.now.to_date) }
    ]
    shown = [late, ended, left].zip(states).map do |link, deed|
      before = get(link).status
      result = nil
      ActiveRecord::Base.transaction(requires_new: true) do
        noon = clock.now
        deed.call
        result = get(link).status
        clock.now = noon
        raise ActiveRecord::Rollback
      end
      [before, result]
    end
    expect(shown).to eq [[200, 404]] * 3
    expect(get("/letters/#{"x" * 32}").status).to eq 404
  end
end
