# frozen_string_literal: true

require "web_helper"

# A line a day beside the scores: how somebody feels, and how long they slept.
RSpec.describe "The diary", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }

  it "is said with today's questions, and drawn on the sheet beside the scores" do
    submit("/prescriptions/#{prescription.id}", "/athletes/#{athlete.id}/day", feeling: "2", slept_h: "5,5")
    get("/athletes/#{athlete.id}")
    line = page.at("svg.chart g")

    expect(line.text.split).to eq %w[2 Mar, tired, slept 5.5 h 2]
    expect(line.at(".slept")["height"].to_f).to eq 5.5 * 3
  end

  it "refuses what no night is" do
    submit("/prescriptions/#{prescription.id}", "/athletes/#{athlete.id}/day", feeling: "9", slept_h: "25")
    expect([last_response.status, athlete.days.count]).to eq [422, 0]
    expect(text).to include("25 is not allowed; allowed: 0 to 24", "9 is not allowed; allowed: 1 to 5")
  end
end
