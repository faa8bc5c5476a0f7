# frozen_string_literal: true

require "web_helper"

RSpec.describe "Athletes", :web do
  let(:typed) do
    {
      "name" => "Odd Falkenrath",
      "born_on" => "1974-05-06",
      "sex" => "male",
      "height_cm" => "178,5",
      "mass_kg" => "88",
      "vital_capacity_l" => "",
      "resting_pulse" => "",
      "disciplines" => ["spearfishing"],
      "control_pause_use" => "primary",
      "nervous" => "false",
      "sleep_signs" => "true",
      "notes" => "Dives <alone> less."
    }
  end

  it "adds one, with a decimal comma, and shows the sheet with what was typed escaped" do
    submit("/athletes/new", "/athletes", typed)
    get("/athletes/#{Windlass::Records::Athlete.sole.id}")

    expect(text).to include "Odd Falkenrath", "51 years", "spearfishing", "178.5 cm", "Dives <alone> less."
    expect(last_response.body).to include "Dives &lt;alone&gt; less."
    expect(text).to include "a long score is a warning"
  end

  it "is searched by name and by discipline, and says so where nobody is found" do
    [["Ada Quill", %w[singing]], ["Bo 100% Tarn", %w[surfing rescue]]].each do |name, disciplines|
      make_athlete(name: name, disciplines: disciplines)
    end
    found = ->(search) do
      get("/athletes?search=#{URI.encode_www_form_component(search)}") &&
        page.css("table.figures tbody th").map { |cell| cell.text.strip }
    end
    expect(["quil", "RESCUE", "", "100%", "_", "nobody"].map(&found)).to eq [
      ["Ada Quill"],
      ["Bo 100% Tarn"],
      ["Ada Quill", "Bo 100% Tarn"],
      ["Bo 100% Tarn"],
      [],
      []
    ]
    expect(text).to include("Nobody has “nobody” in the name or among the disciplines.")
  end

  it "edits one and keeps what was not changed" do
    athlete = make_athlete(resting_pulse: 54, notes: "Thursdays")
    get("/athletes/#{athlete.id}/edit")
    expect(page.at("#resting_pulse")["value"]).to eq "54"

    submit(
      "/athletes/#{athlete.id}/edit",
      "/athletes/#{athlete.id}",
      typed.merge("name" => "Ines Aldaya-Roy", "notes" => "Thursdays")
    )
    expect(athlete.reload.attributes).to include(
      "name" => "Ines Aldaya-Roy",
      "notes" => "Thursdays",
      "height_cm" => 178.5
    )
  end

  wrong = {
    {"name" => "  "} => "Name: is missing",
    {"name" => "x" * 81} => "81 characters are too many; allowed: 80",
    {"height_cm" => "17"} => "Height, cm: 17 is not allowed; allowed: 90 to 230",
    {"height_cm" => "tall"} => "Height, cm: “tall” is not a number",
    {"mass_kg" => "-4"} => "Mass, kg: -4 is not allowed; allowed: 15 to 250",
    {"mass_kg" => "1e999"} => "allowed: 15 to 250",
    {"born_on" => "2031-01-01"} => "Born: 2031-01-01 is not allowed; allowed: 1926-03-02 to 2021-03-02",
    {"born_on" => "yesterday"} => "a day is written 2026-03-31",
    {"sex" => "x"} => "Sex at birth, for lung size: “x” is not one of: female, male",
    {"resting_pulse" => "12.5"} => "“12.5” is not a whole number",
    {"vital_capacity_l" => "1"} => "so that full lungs hold more than resting ones"
  }

  wrong.each do |change, message|
    it "refuses #{change.to_s[0, 60]} with its reason, and keeps what was typed" do
      submit("/athletes/new", "/athletes", typed.merge(change))

      expect(last_response.status).to eq 422
      expect(text).to include message
      expect(page.at("#mass_kg")["value"]).to eq typed.merge(change)["mass_kg"]
      expect(Windlass::Records::Athlete.count).to eq 0
    end
  end

  it "lists the roster, and says so where there is none" do
    get("/athletes")
    expect(text).to include "No athletes yet"

    make_pause(make_athlete, 31)
    get("/athletes")
    expect(page.css("table.figures tbody tr").map { |row| row.text.split.join(" ") }).to eq [
      "Ines Aldaya 30, freediving 31 s – No prescription – – –"
    ]
  end
end
