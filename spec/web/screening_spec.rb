# frozen_string_literal: true

require "web_helper"

RSpec.describe "Screening", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:path) { "/athletes/#{athlete.id}/screening" }

  def answers(**yes)
    Windlass::Screening::MATRIX.conditions.to_h { |one| [one.id.to_s, yes.fetch(one.id, false).to_s] }
  end

  def keep(answers, **more) = submit(path, path, {"answers" => answers}.merge(more.transform_keys(&:to_s)))

  def run_now
    submit(path, "/prescriptions/#{prescribe(athlete).id}/sessions")
    [last_response.status, page.at("main")&.text.to_s.squeeze(" \n")]
  end

  it "blocks hold work until it has been answered, and offers quiet breathing all the same" do
    athlete
    Windlass::Records::Screening.delete_all
    expect(run_now).to match [422, /Not screened yet/]
    prescription = prescribe(athlete)
    get("/")
    expect(
      page.css("section[aria-labelledby=missing] li").map { |row| row.text.split.join(" ") }
    ).to include "Ines Aldaya Not screened yet. Screening"
    expect(page.css("section[aria-labelledby=train] li")).to be_empty

    keep(answers)
    follow_redirect!
    expect(text).to include "Answered on 2 March 2026; repeat by 2 March 2027."
    expect(page.css(".state").map(&:text).uniq).to eq ["open"]
    submit(path, "/prescriptions/#{prescription.id}/sessions")
    expect(last_response.status).to eq 303
  end

  it "acts at once when an answer changes, and says why" do
    expect(run_now.first).to eq 303
    keep(answers(pressure_high: true))
    expect(run_now).to match [422, /High blood pressure that is not controlled: blocked/]
    get("/athletes/#{athlete.id}")
    expect(text).to include "Blocked: small holds"
  end

  it "shows a caution where care is asked for" do
    keep(answers(asthma: true))
    get("/prescriptions/#{prescribe(athlete).id}")

    expect(text).to include "Asthma, well controlled: care."
    expect(run_now.first).to eq 303
  end

  it "is lifted by a clearance for as long as it holds" do
    keep(answers(epilepsy: true))
    expect(run_now).to match [422, /needs a clinician's clearance/]
    clear = ->(**typed) { submit(path, "/athletes/#{athlete.id}/clearances", typed.transform_keys(&:to_s)) }
    clear[clinician: "", given_on: "2026-03-03", expires_on: "2026-03-01"]
    expect(text).to include "Clinician's name and role: is missing",
      "2026-03-03 is not allowed; allowed: 2025-03-02 to 2026-03-02",
      "For: is missing"

    clear[clinician: "Dr Amadi, neurologist", given_on: "2026-03-02", expires_on: "2026-04-01", families: ["small"]]
    expect(run_now.first).to eq 303
    clock.now = WebHelpers::NOON + 31 * 86_400
    expect(run_now).to match [422, /needs a clinician's clearance/]
  end

  it "pauses the control pause of somebody who fears it, and minds bad sleep in its readings" do
    keep(answers(nervous: true, sleep_signs: true))

    expect(athlete.reload).to have_attributes(nervous: true, sleep_signs: true, control_pause_use: "paused")
    expect(athlete.to_values.control_pause_paused).to be true
  end

  it "keeps what was answered beside what is missing, and asks a guardian's consent of the young" do
    keep(answers(asthma: true).except("heart"))
    expect([last_response.status, text]).to match [422, /Answer: is missing/]
    expect(page.at("input[name='answers[asthma]'][value=true]")["checked"]).not_to be_nil
    expect(page.css("#guardian_consent_on")).to be_empty

    athlete.update!(born_on: "2012-01-01")
    consented(athlete)
    keep(answers)
    expect(run_now).to match [422, /A guardian's consent is missing/]
    keep(answers, guardian_consent_on: "2026-03-01")
    expect(run_now.first).to eq 303
  end
end
