# frozen_string_literal: true

require "web_helper"
require "csv"

# A notebook and dives from elsewhere: looked at first, kept whole or not at all, and once.
RSpec.describe "Files from elsewhere", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }

  before { prescribe(athlete) }

  def upload(from, to, field, content, **more)
    get(from)
    post(
      to,
      {
        "authenticity_token" => page.at("meta[name=csrf-token]")["content"],
        field => Rack::Test::UploadedFile.new(StringIO.new(content), "text/plain", original_filename: "file")
      }.merge(more)
    )
  end

  def keep(text, **more) = submit("/log", "/log/table", {text: text, keep: "yes"}.merge(more))

  it "shows row by row what would be kept, keeps it whole, and the same file again brings nothing" do
    file =
      "name,protocol,date,holds\nines aldaya,Small holds,2026-02-27,5x13 ok e3\nInes Aldaya,,2026-02-28,5x12 g e4\n"
    upload("/log", "/log/table", "table", file)
    expect(text).to include("2 rows would be kept; 0 here already or discarded; 0 wrong.")
    expect(Windlass::Records::Session.count).to eq 0
    2.times { keep(page.at("textarea[name=text]")&.text || file) }
    expect(
      Windlass::Records::Session
        .order(:local_date)
        .map { |one| [one.local_date.day, one.rounds.size, one.proposed_verdict] }
    ).to match [[27, 13, "repeat"], [28, 12, String]]

    upload("/log", "/log/table", "table", file + "Nobody,,2026-02-28,60\nInes Aldaya,Bellows,2026-02-28,60\n")
    expect(text).to include(
      "0 rows would be kept; 2 here already or discarded; 2 wrong.",
      "column athlete: “Nobody” is nobody here",
      "Correct every row here, or in your file",
      "column protocol: “Bellows” is not prescribed to Ines Aldaya; there are Small holds"
    )
    keep("name,date,holds\nInes Aldaya,2026-02-20,5\nNobody,2026-02-20,5\n")
    expect(text).to include("1 row is wrong: nothing was kept.")
    expect(Windlass::Records::Session.count).to eq 2
  end

  it "reads dives once, and gives them out as UDDF and CSV" do
    dives = [0, 90].map { |at| Windlass::Water::Dive.new(down: WebHelpers::NOON - 7200 + at, seconds: 50, depth_m: 8) }
    file = Windlass::Formats::Uddf.write("X", dives)
    2.times { upload("/athletes/#{athlete.id}/dives", "/athletes/#{athlete.id}/dives", "dives", file) }
    expect(Windlass::Records::Dive.order(:down_at).map(&:short)).to eq [false, true]
    get("/athletes/#{athlete.id}/dives.uddf")
    expect(Windlass::Formats::Uddf.read(last_response.body).map(&:down)).to eq dives.map(&:down)
    get("/log/dives.csv?from=2026-03-02")
    expect(CSV.parse(last_response.body, headers: true).map { |row| [row["seconds"], row["too_early"]] }).to eq [
      %w[50.0 false],
      %w[50.0 true]
    ]
    get("/log/measures.csv")
    expect(CSV.parse(last_response.body, headers: true).map { |row| [row["kind"], row["value"]] }).to eq [
      %w[control_pause 24.0]
    ]
  end

  it "takes its own files back: sessions, holds, measures and dives come into an empty house as they were, and into " \
    "their own not at all" do
    run_set(prescriptions = athlete.prescriptions.first, symptoms: %w[lightheaded strong_tingling])
    Windlass::Actions::TakeMeasure.keep(
      athlete,
      Windlass::Measures.kind("maximal_hold"),
      {
        uuid: SecureRandom.uuid,
        taken_on: WebHelpers::NOON.to_date - 3,
        seconds: 95,
        first_urge_s: 50,
        first_breath: "smooth",
        eventful: "no",
        watcher: "Jo"
      },
      now: clock.now
    )
    Windlass::Records::Dive.create!(
      account_id: account.id,
      athlete: athlete,
      uuid: SecureRandom.uuid,
      local_date: WebHelpers::NOON.to_date,
      down_at: WebHelpers::NOON - 3600,
      seconds: 61.5,
      depth_m: 12,
      signs: "well",
      weight_kg: 2,
      line: true,
      note: "murky"
    )
    files = %w[sessions holds measures dives].to_h { |name| [name, get("/log/#{name}.csv").body] }
    files.each_value do |file|
      upload("/log", "/log/table", "table", file).then do
        expect(text).to match(/\A?.*0 rows would be kept; \d+ here already or discarded; 0 wrong/m)
      end
    end

    [
      Windlass::Records::Move, Windlass::Records::Round, Windlass::Records::JournalEvent, Windlass::Records::Session,
      Windlass::Records::Measure, Windlass::Records::Dive
    ].each { |table| table.unscoped.delete_all }
    make_pause(athlete)
    %w[sessions measures dives].each { |name| keep(files.fetch(name)) }
    again = %w[sessions measures dives].to_h { |name| [name, CSV.parse(get("/log/#{name}.csv").body, headers: true)] }
    said = ->(rows, columns) { rows.map { |row| row.to_h.slice(*columns) } }
    {
      "sessions" => %w[date athlete protocol holds_done held_s effort symptoms line],
      "measures" => %w[taken kind value ended_by],
      "dives" => %w[under seconds depth_m signs weight_kg line note]
    }.each do |name, columns|
      before = said[CSV.parse(files.fetch(name), headers: true), columns]
      expect(said[again.fetch(name), columns]).to include(*before)
    end
    expect(prescriptions.sessions.sole.rounds.pluck(:first_breath).compact).not_to be_empty
  end
end
