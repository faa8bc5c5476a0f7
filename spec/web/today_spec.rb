# frozen_string_literal: true

require "web_helper"

RSpec.describe "Today", :web do
  def rows(section) = page.css("section[aria-labelledby=#{section}] li").map { |row| row.text.split.join(" ") }

  it "says how to begin where there is nobody" do
    get("/")
    expect(text).to include "Nobody is here yet", "Add an athlete, or several out of a spreadsheet."
  end

  it "shows who trains with the dose in words, who lacks a morning score, and what awaits a decision" do
    ines = make_athlete.tap { |one| make_pause(one, 24) }
    odd = make_athlete(name: "Odd Falkenrath").tap { |one| make_pause(one, 9, at: WebHelpers::NOON - 86_400) }
    run_set(prescribe(ines))
    yesterday = WebHelpers::NOON - 86_400
    2.times { run_set(prescribe(odd), at: yesterday, breaths: {4 => "gasp", 6 => "gasp"}) }
    get("/")

    expect(rows("train")).to eq [
      "Ines Aldaya Small holds 13 holds of 5 s in 5 min, 2 sets a day Rung 1 of 10 · Set 2 of 2 Check in and start",
      "Odd Falkenrath Small holds 14 holds of 4.5 s in 5 min, 2 sets a day Rung 1 of 5 · Set 1 of 2 Check in and start"
    ]
    expect([page.css(".names a").map(&:text), rows("missing")]).to eq [["Odd Falkenrath"], []]
    expect(rows("decide")).to eq [
      "Odd Falkenrath Small holds, yesterday Ease: 4 gasps: rounds 4 and 6 of set 1, rounds 4 and 6 of set 2. Decide"
    ]
  end

  it "leads from a decision to the next one, of somebody else first, until there is none" do
    ada, bo = %w[Ada Bo].map { |name| make_athlete(name: name).tap { |one| make_pause(one, 24) } }
    ada.measures.create!(
      account_id: account.id,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 150,
      taken_at: clock.now - 9 * 86_400,
      details: {
        first_breath: "smooth",
        eventful: "no"
      }
    )
    once_a_day, drill =
      %w[counted-recovery belly-drill].map do |id|
        Windlass::Actions::Prescribe.call(ada, Windlass::Protocols.find(id), now: clock.now)
      end
    days =
      [prescribe(ada), prescribe(bo), once_a_day, drill].map do |one|
        Array
          .new((one == once_a_day) ? 1 : 2) do
            run_set(one, at: WebHelpers::NOON - 86_400, breaths: {2 => "gasp", 3 => "gasp"})
          end
          .last
      end
    further =
      days.map do |session|
        submit(
          "/sessions/#{session.uuid}",
          "/sessions/#{session.uuid}/decision",
          decided: "accept",
          seen: session.reload.proposed_verdict,
          effort: "3"
        )
        follow_redirect!
        page.at(".notice a.btn-primary")&.[]("href")
      end
    expect(further).to eq [*days.drop(1).map { |day| "/sessions/#{day.uuid}" }, nil]
  end

  it "puts what was stopped first, and asks nobody to train who may not" do
    athlete = make_athlete.tap { |one| make_pause(one, 24) }
    session = run_set(prescribe(athlete))
    Windlass::Actions::RateSession.call(
      session,
      {effort: 2, symptoms: ["blackout"], note: "", rounds: {}},
      now: clock.now
    )
    get("/")

    expect(rows("decide").first).to include "Ines Aldaya stopped Blackout on 2 March 2026."
    expect(rows("train")).to be_empty
  end

  describe "what is plain" do
    let(:yesterday) { WebHelpers::NOON - 86_400 }

    # A day of two sets without anything to mind, and one with gasps.
    def clean_day(name, breaths = {})
      athlete = make_athlete(name: name).tap { |one| make_pause(one, 24) }
      prescription = prescribe(athlete)
      2.times.map { run_set(prescription, at: yesterday, breaths: breaths) }.last
    end

    def seen(session) = session.reload.proposed_verdict

    it "is accepted where it stands, all of it by one button, each with a way back; what needs thought is not" do
      ada, bo, hard = clean_day("Ada"), clean_day("Bo"), clean_day("Cy", {4 => "gasp", 6 => "gasp"})
      get("/")
      expect(rows("decide").map { |row| row[/(Open Accept|Decide)\z/] }).to eq ["Decide", "Open Accept", "Open Accept"]
      submit(
        "/",
        "/decisions",
        {"seen[#{ada.uuid}]" => seen(ada), "seen[#{bo.uuid}]" => "advance", "seen[#{hard.uuid}]" => seen(hard)}
      )
      expect([text, Windlass::Records::Move.kept.pluck(:session_id, :decided)]).to match [
        include("1 verdict", "The verdict of Bo is now repeat", "The verdict of Cy needs a look"),
        [[ada.id, "repeat"]]
      ]
      submit("/", "/moves/#{Windlass::Records::Move.sole.id}/back")
      expect(Windlass::Records::Move.kept).to be_empty

      submit("/", "/sessions/#{ada.uuid}/accept", {seen: seen(ada)})
      expect(last_response.location).to end_with "/#decide"
      submit("/", "/sessions/#{hard.uuid}/accept", {seen: seen(hard)})
      expect([last_response.status, Windlass::Records::Move.kept.count]).to eq [422, 1]
    end

    it "is not what had a note or a symptom, however clean" do
      noted, felt = clean_day("Ada"), clean_day("Bo")
      Windlass::Actions::RateSession.call(
        noted,
        {effort: 2, symptoms: [], note: "left ear full", rounds: {}},
        now: clock.now
      )
      Windlass::Actions::RateSession.call(
        felt,
        {effort: 2, symptoms: ["mild_tingling"], note: "", rounds: {}},
        now: clock.now
      )
      get("/")
      expect(page.css("[data-accept]")).to be_empty
    end
  end
end
