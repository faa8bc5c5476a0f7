# frozen_string_literal: true

require "web_helper"

RSpec.describe "Control pause", :web do
  let(:athlete) { make_athlete }
  let(:form) { "/athletes/#{athlete.id}/control-pauses/new" }
  let(:typed) do
    {
      "uuid" => SecureRandom.uuid, "seconds" => "24,5", "ended_by" => "diaphragm", "first_breath" => "calm",
      "on_waking" => "true", "taken_on" => "2026-03-02", "note" => ""
    }
  end

  def keep(**changes) =
    submit(form, "/athletes/#{athlete.id}/control-pauses", typed.merge(changes.transform_keys(&:to_s)))

  it "keeps a score and reads it in words" do
    keep
    follow_redirect!

    expect(text).to include "24.5 s: building. Counts towards the morning trend."
    expect(text).to include "Ended by a twitch of the diaphragm. First breath: as calm as the one before."
  end

  it "keeps a pushed score too, and says that it does not count" do
    keep(first_breath: "gasp")
    follow_redirect!

    expect(text).to include "Does not count as a control pause.", "Held past the signal"
    expect(athlete.to_values.control_pause_s).to be_nil
    expect(page.css("main a.btn-primary").map(&:text)).to eq ["Measure again"]
    keep(uuid: SecureRandom.uuid)
    follow_redirect!
    expect(page.css("main a.btn-primary").map(&:text)).to eq ["Choose a protocol"]
  end

  it "makes one measure of a double click" do
    2.times { keep }

    expect(athlete.measures.count).to eq 1
    expect(last_response.status).to eq 303
  end

  it "takes a score from the notebook at the day it was taken" do
    keep(taken_on: "2026-02-27")

    expect(athlete.measures.last.taken_at.getlocal.to_date).to eq Date.new(2026, 2, 27)
  end

  wrong = {
    {seconds: ""} => "Pause: is missing",
    {seconds: "-3"} => "-3 is not allowed; allowed: 0.5 to 300.0",
    {seconds: "1:75"} => "“1:75” is not a number",
    {ended_by: "boredom"} => "“boredom” is not one of: diaphragm",
    {taken_on: "2026-03-03"} => "2026-03-03 is not allowed; allowed: 2025-03-02 to 2026-03-02",
    {uuid: "1"} => "is not an identifier; load the page again",
    {first_breath: ""} => "is missing"
  }

  wrong.each do |change, message|
    it "refuses #{change} and keeps the rest" do
      keep(**change)

      expect([last_response.status, athlete.measures.count]).to eq [422, 0]
      expect(text).to include message
      expect(page.at("input[value=true][name=on_waking]")["checked"]).not_to be_nil
    end
  end

  it "draws twelve weeks: valid morning scores full, doubtful ones hollow, the median, the bands" do
    (0..9).each { |ago| make_pause(athlete, 20 + ago, at: WebHelpers::NOON - (ago * 24 + 5) * 3600) }
    make_pause(athlete, 50, at: WebHelpers::NOON - 29 * 3600, first_breath: "gasp")
    get("/athletes/#{athlete.id}")

    expect([page.css(".chart circle.dot, .legend circle.dot").size, page.css("circle.dot-hollow").size]).to eq [
      10 + 1,
      1 + 1
    ] # one each in the legend
    expect(page.css("path.median").size).to eq 2
    expect(
      page.at("#cp-desc").text
    ).to eq "11 scores in twelve weeks, 20 s to 50 s. Median of the last fortnight 24.5 s."
    expect(page.css("text.band").map(&:text)).to eq %w[low building strong]
  end

  it "is paused where its reading says so, until a day; a day that is none is named, and nothing is paused" do
    athlete = make_athlete
    easy, uneasy = make_pause(athlete, 24), make_pause(athlete, 12, ended_by: "anxiety")
    get("/control-pauses/#{easy.uuid}")
    expect(page.at("form[action$='/pause']")).to be_nil
    get("/control-pauses/#{uneasy.uuid}")
    expect(page.at("[name=until_on]")["value"]).to eq (clock.now.to_date + 28).iso8601

    path = "/control-pauses/#{uneasy.uuid}"
    submit(path, "#{path}/pause", until_on: clock.now.to_date.iso8601)
    expect([last_response.status, text]).to match [422, /2026-03-02 is not allowed; allowed: 2026-03-03 to /]
    expect(athlete.reload.control_pause_use).to eq "primary"
    submit(path, "#{path}/pause", until_on: "2026-04-01")
    expect(athlete.reload).to have_attributes(control_pause_use: "paused", control_pause_again_on: Date.new(2026, 4, 1))
    get(path)
    expect(page.at("form[action$='/pause']")).to be_nil
  end
end
