# frozen_string_literal: true

require "web_helper"

RSpec.describe "A link for the morning score", :web do
  let(:athlete) { make_athlete }
  let(:path) { morning_links.path(athlete) }

  it "stands on Today as long as there is no score, one line for all, and leads to nothing but the score" do
    make_pause(athlete, at: clock.now - 26 * 3600)
    prescribe(athlete)
    get("/")
    expect(page.css(".names a").map { |link| [link.text, link["href"]] }).to eq [[athlete.name, path]]
    get(path)
    expect([last_response.status, page.css("main a, nav").size, page.at("form")["action"]]).to eq [200, 0, path]

    submit(
      path, path, seconds: "24,5", ended_by: "diaphragm", first_breath: "calm", on_waking: "true",
      taken_on: clock.now.to_date.iso8601
    )
    follow_redirect!
    expect(text).to include("24.5 s: building. Counts towards the morning trend.", "Saved.")
    expect(athlete.measures.order(:taken_at).last).to have_attributes(value: 24.5, on_waking: true)
    get("/")
    expect(page.css(".names a")).to be_empty
  end

  it "keeps what was typed where something is wrong" do
    submit(
      path, path, seconds: "soon", ended_by: "diaphragm", first_breath: "calm", on_waking: "true",
      taken_on: clock.now.to_date.iso8601
    )
    expect([last_response.status, page.at("#seconds")["value"], page.css("#faults li").size]).to eq [422, "soon", 1]
  end

  it "takes one score a morning, of today or yesterday, within what readings can be; a second one corrects the first" do
    send = ->(**more) do
      submit(
        path,
        path,
        {
          seconds: "24,5", ended_by: "diaphragm", first_breath: "calm", on_waking: "true",
          taken_on: clock.now.to_date.iso8601
        }.merge(more)
      )
    end
    [{}, {seconds: "26"}, {seconds: "22", taken_on: (clock.now.to_date - 1).iso8601}].each do |more|
      send.call(**more)
    end
    expect(athlete.measures.order(:taken_at).pluck(:value)).to eq [22, 26]
    expect(Windlass::Records::Correction.sole.before).to eq({"value" => 24.5})

    [{seconds: "299"}, {taken_on: (clock.now.to_date - 2).iso8601}].each { |more| send.call(**more) }
    expect([last_response.status, text, athlete.measures.count]).to match [422, /allowed: today or yesterday/, 2]
  end

  it "opens nothing where a sign of it was changed, for another athlete, once revoked, or after they left" do
    other = make_athlete(name: "Ada Quill")
    wrong = [
      path.sub(/.\z/) { |last| (last == "0") ? "1" : "0" },
      path.sub(%r{/\d+-}, "/#{other.id}-"),
      "/morning/#{athlete.id}",
      "/morning/#{athlete.id}-"
    ]
    expect(wrong.map { |one| get(one).status }).to all eq 404
    submit("/athletes/#{athlete.id}/edit", "/athletes/#{athlete.id}/morning-links/revoke")
    renewed = morning_links.path(athlete.reload)
    expect([get(path).status, get(renewed).status]).to eq [404, 200]
    submit("/athletes/#{athlete.id}/edit", "/athletes/#{athlete.id}/left")
    expect(get(renewed).status).to eq 410
  end

  it "ends with the right of whoever made it, and says so" do
    path
    WebHelpers.seated = false
    expect(get(path).status).to eq 200
    Windlass::Records::Role.where(kind: "coach").update_all(until_on: clock.now.to_date - 1)
    expect([get(path).status, text]).to match [410, /This link has ended. Ask whoever sent it/]
  end
end
