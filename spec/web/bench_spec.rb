# frozen_string_literal: true

require "web_helper"

RSpec.describe "Bench", :web do
  def figures =
    page.css(".bench-result table").first.css("tbody tr").to_h { |row| [row.at("th").text, row.css("td").map(&:text)] }

  # gas-model.md 7: the figures that a man of 30 years, 178 cm and 75 kg with a control pause of 25 s has.
  it "shows at once what over-breathing does, in the worked figures" do
    get("/bench")

    expect(figures).to include(
      "First urge" => ["25 s", "2:42.5"],
      "Oxygen floor" => ["52.6 s", "1:35.3"],
      "Margin" => ["clear, +28 s", "inverted, -67 s"],
      "Carbon dioxide washed out" => ["0.0 mmHg", "19.3 mmHg, strongly over-breathed"],
      "Cap" => ["–", "49 s, do not aim for it"]
    )
    expect(text).to include "B The oxygen is low 1 min 7 s before the urge comes: nothing warns."
    expect(text).to include "never a medical or diving-safety device"
  end

  it "draws the order of urge and floor by shape, and the map with every number in a table" do
    get("/bench")

    expect(page.css(".bench-chart rect.track-clear").size).to eq 1
    expect(page.css(".bench-chart rect.track-inverted").size).to eq 1
    cells = page.css(".map .cell").map { |cell| [cell["class"].split("-").last, cell["data-words"]] }
    expect(cells.size).to eq 11 * 16
    expect(cells.map(&:first).tally.keys).to match_array %w[before warned past blind]
    expect(cells.find { |_, words| words.start_with?("0 deep breaths, 0:30 held") }).to eq [
      "warned",
      "0 deep breaths, 0:30 held: the urge has come, oxygen is there. Urge 25 s, floor 53 s, margin +28 s."
    ]
    expect(page.css("details tbody tr").size).to eq 11
  end

  it "takes an athlete with the newest control pause, another posture and a higher floor" do
    athlete = make_athlete.tap { |one| make_pause(one, 40) }
    get(
      "/bench",
      "athlete_id" => athlete.id,
      "posture" => "lying",
      "floor" => "90",
      "a" => {
        "lungs" => "full",
        "hold_s" => "120"
      }
    )
    floor = model_floor(athlete, 0.90)

    expect(figures["Oxygen floor"]).to eq [Windlass::Words.seconds(floor)]
    expect(figures.fetch("First urge").size).to eq 1
  end

  def model_floor(athlete, floor)
    recipe = Windlass::Physiology::Recipe.new(lungs: :full, hold_s: 120)
    Windlass::Physiology::Model
      .new(athlete.to_body(on: clock.now.to_date, posture: :lying), control_pause_s: 40, floor: floor)
      .forecast(recipe.compile.segments)
      .holds
      .last
      .floor_s
  end

  it "says in a sentence why there is no forecast" do
    child = make_athlete(name: "Piet van der Zwaal", born_on: "2010-01-01")
    get("/bench", "athlete_id" => child.id)

    expect([last_response.status, text]).to match [200, /No forecast under 18 years/]
    expect(page.css(".bench-chart")).to be_empty
  end

  it "answers htmx with the result alone" do
    header("HX-Request", "true")
    get("/bench", "a" => {"deep_breaths" => "12"})

    expect(last_response.body).to start_with '<div id="bench-result"'
  end

  {
    {"a" => {"hold_s" => "-5"}} => "a[hold s]: -5 is not allowed; allowed: 1 to 300",
    {"b" => {"deep_breaths" => "lots"}} => "b[deep breaths]: “lots” is not a whole number",
    {"a" => {"lungs" => "brim"}} => "“brim” is not one of: residual, passive",
    {"age" => "9"} => "age: 9 is not allowed; allowed: 18 to 100",
    {"mass_kg" => ""} => "mass kg: is missing",
    {"a" => "rubbish", "floor" => "40"} => "floor: 40 is not allowed; allowed: 85 to 92"
  }.each do |typed, message|
    it "refuses #{typed} with its reason, and keeps what was typed" do
      get("/bench", typed)

      expect([last_response.status, text]).to match [422, /#{Regexp.escape(message)}/]
      unless typed["a"] == "rubbish"
        expect(page.at("input[name='a[hold_s]']")["value"]).to eq(typed.dig("a", "hold_s") || "40")
      end
    end
  end
end
