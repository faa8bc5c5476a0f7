# frozen_string_literal: true

require "web_helper"

# From an empty house to the first session, each step led to by the one before.
RSpec.describe "The first hour", :web do
  def next_step = page.at(".notice a:contains('Next step')")&.[]("href")

  def page_at(path) = get(path) && page

  # What Today asks for first.
  def led_to = get("/") && page.css("section[aria-labelledby=next] a.btn").map { |link| [link.text, link["href"]] }

  it "leads from nobody over consent, screening, measure and prescription to the deck" do
    expect(get("/").body).to include("Nobody is here yet", "/athletes/new", "/athletes/several")
    submit(
      "/athletes/new",
      "/athletes",
      {
        :name => "Vera Holm",
        :born_on => "1990-05-06",
        :sex => "female",
        :height_cm => "170",
        :mass_kg => "64",
        :control_pause_use => "primary",
        :nervous => "false",
        :sleep_signs => "false",
        :uuid => SecureRandom.uuid,
        "disciplines[]" => "surfing"
      }
    )
    vera = Windlass::Records::Athlete.sole
    expect([last_response.location[%r{/athletes/.*}], led_to]).to eq [
      "/athletes/#{vera.id}/consent",
      [["Consent", "/athletes/#{vera.id}/consent"]]
    ]

    submit("/athletes/#{vera.id}/consent", "/athletes/#{vera.id}/consent")
    expect([last_response.location[%r{/athletes/.*}], led_to]).to eq [
      "/athletes/#{vera.id}/screening",
      [["Screening", "/athletes/#{vera.id}/screening"]]
    ]

    submit(
      "/athletes/#{vera.id}/screening",
      "/athletes/#{vera.id}/screening",
      Windlass::Screening::MATRIX.conditions.to_h { |one| ["answers[#{one.id}]", "false"] }
    )
    follow_redirect!
    expect([next_step, led_to]).to eq [
      "/athletes/#{vera.id}/control-pauses/new",
      [["Control pause", "/athletes/#{vera.id}/control-pauses/new"]]
    ]

    submit(
      "/athletes/#{vera.id}/control-pauses/new",
      "/athletes/#{vera.id}/control-pauses",
      {
        uuid: SecureRandom.uuid, seconds: "22", ended_by: "diaphragm", first_breath: "calm", on_waking: "true",
        taken_on: clock.now.to_date.to_s
      }
    )
    follow_redirect!
    expect([page.at("a:contains('Choose a protocol')")["href"], led_to]).to eq [
      "/protocols?athlete_id=#{vera.id}",
      [["Choose a protocol", "/protocols?athlete_id=#{vera.id}"]]
    ]

    prescribe(vera)
    expect(led_to).to be_empty
    expect(page.css("li[data-row][id^=prescription] .act").text.strip).to eq "Check in and start"
  end

  it "adds several from a spreadsheet: looked at first, all or nobody, and nobody twice" do
    rows =
      "Name\tBorn\tSex\tHeight\tWeight\tDisciplines\nVera Holm\t1990-05-06\tf\t170\t64\tsurfing, rescue\nOle " \
      "Birk\t6.5.1988\tM\t182\t81,5\t\n"
    submit("/athletes/several", "/athletes/several", {text: rows})
    expect([text, Windlass::Records::Athlete.count]).to match [
      include("2 rows would be kept; 0 here already or discarded; 0 wrong."),
      0
    ]
    asked = {text: rows, order: "day", keep: "yes"}
    2.times { submit("/athletes/several", "/athletes/several", asked) }
    expect(
      Windlass::Records::Athlete
        .order(:id)
        .map { |one| [one.name, one.born_on.iso8601, one.sex, one.mass_kg, one.disciplines] }
    ).to eq [
      ["Vera Holm", "1990-05-06", "female", 64.0, %w[surfing rescue]],
      ["Ole Birk", "1988-05-06", "male", 81.5, []]
    ]

    submit(
      "/athletes/several",
      "/athletes/several",
      {
        text: "name,born,sex,height,weight,disciplines\nA B,1990-13-06,f,170,64,\nC D,1990-01-06,x,17,64,flying\n",
        keep: "yes"
      }
    )
    expect(text).to include("2 rows are wrong: nobody was added.")
    submit(
      "/athletes/several",
      "/athletes/several",
      {text: "name,born,sex,height,weight,disciplines\nA B,1990-13-06,f,170,64,\nC D,1990-01-06,x,17,64,flying\n"}
    )
    expect(text).to include(
      "column born: “1990-13-06” is no day there is",
      "height cm: 17 is not allowed; allowed: 90 to 230",
      "disciplines"
    )
  end

  it "says what is lacking before anything else: a consent, a clearance; a stop closes the control pause and its " \
    "link" do
    young = make_athlete(name: "Rio Tam", born_on: "2010-01-05")
    young.screenings.update_all(guardian_consent_on: nil)
    expect(led_to).to eq [["Record it", "/athletes/#{young.id}/screening"]]
    get("/athletes/#{young.id}/control-pauses/new")
    expect([text, page.at("form[data-step]")["data-step"]]).to match [
      /A guardian's consent is missing.*it ends at the first urge/m,
      "1"
    ]

    expecting =
      make_athlete(name: "Mira Bell").tap do |one|
        make_pause(one) && one.screenings.update_all(conditions: ["pregnancy"]) && prescribe(one)
      end
    expect(page_at("/").css("li[id^=prescription]").map { |row| row.text.squeeze(" \n") }).to include(
      /#{expecting.name}.*Take care: pregnancy\./m
    )
    expecting.update!(left_on: clock.now.to_date)

    prescribe(trained = make_athlete(name: "Ada Quill").tap { |one| make_pause(one, at: clock.now - 30 * 3600) })
    expect(page_at("/").css(".names a").map(&:text)).to eq ["Ada Quill"]
    trained.suspensions.create!(
      account_id: account.id,
      kind: "stop",
      reason: "Chest pain.",
      opened_at: clock.now - 3600,
      measure: trained.measures.last
    )
    expect(page_at("/").css(".names a")).to be_empty
    expect(
      [get("/athletes/#{trained.id}/control-pauses/new") && text, page.at("form[data-step]")["data-step"]]
    ).to match [/Chest pain.*No control pause now/m, "0"]
    expect(
      (get(morning_links.path(trained)) && page).css(
        "form[data-step]"
      )
    ).to be_empty

    submit(
      "/athletes/#{trained.id}/control-pauses/new",
      "/athletes/#{trained.id}/control-pauses",
      {
        uuid: SecureRandom.uuid, seconds: "50", ended_by: "diaphragm", first_breath: "calm", on_waking: "true",
        taken_on: clock.now.to_date.to_s
      }
    )
    expect([trained.measures.order(:taken_at).last.caution, trained.to_values.control_pause_s]).to eq [
      "Chest pain.",
      24
    ]
  end
end
