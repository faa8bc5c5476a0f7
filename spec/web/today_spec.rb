# frozen_string_literal: true

require "web_helper"

RSpec.describe "Today", :web do
  def rows(section) = page.css("section[aria-labelledby=#{section}] li").map { |row| row.text.split.join(" ") }

  it "says how to begin where there is nobody" do
    get("/")
    expect(text).to include "No athletes yet. Add one, take a control pause"
  end

  it "shows who trains with the dose in words, who lacks a morning score, and what awaits a decision" do
    ines = make_athlete.tap { |one| make_pause(one, 24) }
    odd = make_athlete(name: "Odd Falkenrath").tap { |one| make_pause(one, 9, at: WebHelpers::NOON - 86_400) }
    run_set(prescribe(ines))
    yesterday = WebHelpers::NOON - 86_400
    2.times { run_set(prescribe(odd), at: yesterday, breaths: {4 => "gasp", 6 => "gasp"}) }
    get("/")

    expect(rows("train")).to eq [
      "Ines Aldaya Small holds 13 holds of 5 s in 5 min, 2 sets a day Rung 1 of 10 · Set 2 of 2 Ask, run",
      "Odd Falkenrath Small holds 14 holds of 4.5 s in 5 min, 2 sets a day Rung 1 of 5 · Set 1 of 2 Ask, run"
    ]
    expect(rows("missing")).to eq ["Odd Falkenrath No morning score yet Control pause"]
    expect(rows("decide")).to eq ["Odd Falkenrath Small holds, yesterday Ease 4 gasps: rounds 4 and 6 of set 1, rounds 4 and 6 of set 2. Decide"]
  end

  it "puts what was stopped first, and asks nobody to train who may not" do
    athlete = make_athlete.tap { |one| make_pause(one, 24) }
    session = run_set(prescribe(athlete))
    Windlass::Actions::RateSession.call(session, {effort: 2, symptoms: ["blackout"], note: "", rounds: {}}, now: clock.now)
    get("/")

    expect(rows("decide").first).to include "Ines Aldaya stopped Blackout on 2 March 2026."
    expect(rows("train")).to be_empty
  end
end
