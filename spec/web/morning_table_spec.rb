# frozen_string_literal: true

require "web_helper"

RSpec.describe "Morning scores in one table", :web do
  let!(:maren) { make_athlete(name: "Maren") }
  let!(:tobias) { make_athlete(name: "Tobias") }
  let!(:lene) { make_athlete(name: "Lene") }

  def scores = Windlass::Records::Measure.order(:athlete_id).pluck(:athlete_id, :value, :ended_by, :first_breath)

  def send_scores(rows, **of_all) =
    submit("/mornings", "/mornings", {scores: rows.transform_keys { |one| one.id.to_s }, **of_all})

  it "keeps what was typed, said once for all and otherwise where a row says so; twice pressed is once" do
    rows = {
      maren => {seconds: "24", uuid: SecureRandom.uuid},
      lene => {seconds: "0:31", uuid: SecureRandom.uuid, ended_by: "anxiety", first_breath: "deeper"},
      tobias => {seconds: " ", uuid: SecureRandom.uuid}
    }
    2.times { send_scores(rows) }

    expect(scores).to eq [[maren.id, 24.0, "wish", "calm"], [lene.id, 31.0, "anxiety", "deeper"]]
    expect(Windlass::Records::Measure.pluck(:on_waking).uniq).to eq [true]
    follow_redirect!
    expect(text).to include("2 morning scores kept: Lene, Maren.", "24 s today", "31 s today")
  end

  it "keeps nothing where one is wrong, names the value and whose it is, and leaves what was typed" do
    send_scores(
      {maren => {seconds: "24", uuid: SecureRandom.uuid}, lene => {seconds: "long", uuid: SecureRandom.uuid}}
    )

    expect(last_response.status).to eq 422
    expect(text).to match(/Lene: .*long.* is not/)
    expect(page.at("[name='scores[#{maren.id}][seconds]']")["value"]).to eq "24"
    expect(scores).to be_empty
    send_scores({maren => {seconds: "24", uuid: SecureRandom.uuid}}, taken_on: "2031-01-01")
    expect(text.scan("2031-01-01 is not allowed").size).to eq 2
    send_scores({maren => {seconds: ""}})
    expect(text).to include "No seconds are typed in any row"
  end

  it "corrects the score of the same morning, and takes none of somebody who is stopped or has not agreed" do
    make_pause(maren)
    Windlass::Actions::OpenStop.call(tobias, "Passed out.", measure: make_pause(tobias, 20.0), now: clock.now)
    lene.consents.destroy_all
    get("/mornings")
    expect(page.css("input.seconds").map { |field| field["data-name"] }).to eq ["Maren"]
    expect(text).to include "Passed out.", "Lene has not agreed yet"

    send_scores([maren, tobias, lene].to_h { |one| [one, {seconds: "27", uuid: SecureRandom.uuid}] })
    expect(scores.map { |row| row.first(2) }).to eq [[maren.id, 27.0], [tobias.id, 20.0]]
  end
end
