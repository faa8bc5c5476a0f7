# frozen_string_literal: true

require "web_helper"
require "json_schemer"
require_relative "../../db/demo/scenario"

# Everything as JSON: out, and back in.
RSpec.describe "The archive", :web, :both_databases do
  def written(**of)
    text = +""
    Windlass::Archive::Writer.new(account, **of).write { |part| text << part }
    text
  end

  def read(text) = Windlass::Archive::Reader.new(account).read(text)

  def faults(text)
    read(text) && []
  rescue Windlass::InvalidInput => error
    error.faults
  end

  # Once for all of these: each changes it in a transaction of its own.
  before(:all) do
    Windlass::Demo::Scenario.load(
      now: WebHelpers::NOON,
      people: Windlass::Demo::PEOPLE.min_by(4) { |person| person.fetch("weeks", 12) }
    )
  end

  # A server's numbers go on from where they were, whatever was taken back.
  before { Windlass::Database.number_on(Windlass::Archive::TABLES.select { |one| one.key == "id" }.map(&:record)) }

  after(:all) { Windlass::Demo::Scenario.clear }

  it "comes back from an empty database as it was, byte for byte" do
    account.athletes.first.update!(consent_due_on: WebHelpers::NOON.to_date + 12)
    before = written
    Windlass::Demo::Scenario.clear

    expect(read(before)).to eq 4
    expect(written == before).to be true
    expect(account.reload.emergency_number).not_to be_empty
  end

  it "is what its published schema says, which is made from the tables as they are" do
    schema = File.read(File.expand_path("../../docs/formats/archive.schema.json", __dir__))
    expect(JSON.parse(schema)).to eq JSON.parse(JSON.generate(Windlass::Archive::Schema.to_h))
    expect(
      JSONSchemer.schema(JSON.parse(schema)).validate(JSON.parse(written)).first(3).map { |error| error["error"] }
    ).to eq []
  end

  it "brings one athlete into a house that has others, once" do
    athlete = Windlass::Records::Athlete.order(:id).last
    archive = written(athlete: athlete)
    expect(faults(archive)).to eq ["athletes[0]: is here already"]
    Windlass::Demo::Scenario.clear
    make_athlete(name: "Somebody else")

    expect(read(archive)).to eq 1
    expect(written(athlete: Windlass::Records::Athlete.order(:id).last)).to eq archive
  end

  it "keeps nothing of a file that is wrong anywhere, and names row and column" do
    archive = JSON.parse(written)
    Windlass::Demo::Scenario.clear
    broken =
      lambda do |&change|
        copy = JSON.parse(JSON.generate(archive))
        change.call(copy)
        faults(JSON.generate(copy))
      end

    expect(broken.call { |all| all["rounds"].last["first_breath"] = "loud" }).to match [
      /\Arounds\[\d+\]: breaks the rule first_breath\z/
    ]
    expect(broken.call { |all| all["sessions"][3]["athlete_id"] = 99 }).to eq [
      "sessions[3].athlete_id: 99 is not allowed; allowed: a row of athletes, 1 to 4"
    ]
    expect(broken.call { |all| all["athletes"][1]["born_on"] = all["athletes"][0].delete("sex") && 7 }).to eq [
      "athletes[0].sex: is missing",
      "athletes[1].born_on: 7 is not allowed; allowed: a day such as 2026-03-02"
    ]
    expect(broken.call { |all| all["sessions"][0]["segments"] = [{"kind" => "hold"}] }).to eq [
      "sessions[0].segments: can't be read as what it is"
    ]
    expect(broken.call { |all| all["prescriptions"][0]["protocol"] = "magic" }.first).to start_with(
      "prescriptions[0].protocol: "
    ).and include("does not exist")
    expect(broken.call { |all| all["athletes"][0]["password"] = "x" }).to eq ["athletes[0].password: is not known here"]
    expect([faults("{"), faults("[" * 90), faults("\xff"), faults("{}")].map { |found| found.first[0, 30] }).to eq [
      "archive: is not JSON (expected",
      "archive: is not JSON (nesting ",
      "archive: is not UTF-8",
      "archive: is no archive of Wind"
    ]
    expect(Windlass::Records::Athlete.count + Windlass::Records::Session.count).to eq 0
  end

  # version-1.json was written by the code of that version.
  Dir[File.expand_path("../fixtures/archives/version-*.json", __dir__)].each do |path|
    it "reads what an earlier version wrote: #{File.basename(path)}" do
      Windlass::Demo::Scenario.clear
      expect(Windlass::Archive::Reader.new(account, today: Date.new(2026, 12, 1)).read(File.read(path))).to eq 1

      session = Windlass::Records::Session.sole
      expect([session.caution, session.rounds.map(&:unmarked), session.prescription.run_once]).to eq [
        "",
        [false] * 3,
        false
      ]
      expect(Windlass::Records::Clearance.count).to eq 0
      expect(Windlass::Records::Clearance.unscoped.sole.discarded_at).not_to be_nil
      expect(JSON.parse(written)["windlass"]).to eq Windlass::Archive::VERSION
    end
  end

  it "has one archive of every version in the specs" do
    names = Dir.children(File.expand_path("../fixtures/archives", __dir__))
    versions = names.map { |name| name[/version-(\d+)/, 1].to_i }
    expect(versions).to match_array((1...Windlass::Archive::VERSION).to_a)
    expect(
      faults(JSON.generate(JSON.parse(written).merge("windlass" => 99))).first
    ).to start_with "archive: is of version 99; allowed: up to 2"
  end

  it "leaves discarded what was discarded, in every table that can be" do
    discardable =
      Windlass::Archive::TABLES
        .map(&:record)
        .select { |record| record.column_names.include?("discarded_at") && record.unscoped.any? }
    account.athletes.first.colds.create!(
      account_id: 1, uuid: SecureRandom.uuid, stage: 0, local_date: clock.now.to_date, ended_at: clock.now, minutes: 2,
      calm: true, why_out: "done"
    )
    discardable |= [Windlass::Records::Cold]
    discardable.each { |record| record.unscoped.order(:id).first.update_columns(discarded_at: clock.now) }
    archive = written
    Windlass::Demo::Scenario.clear
    read(archive)

    expect(discardable.map { |record| [record.name, record.unscoped.where.not(discarded_at: nil).count] }).to all(
      satisfy { |_, count| count >= 1 }
    )
    expect(discardable.size).to be >= 3
  end

  hurtful = {
    %w[screenings conditions] => [{"a" => 1}],
    %w[sessions uuid] => "../../x",
    %w[sessions symptoms] => ["zzz"],
    %w[moves reasons] => [1, 2],
    %w[sessions local_date] => "9999-01-01",
    %w[athletes born_on] => "3000-01-01",
    %w[rounds held_ms] => 10**12,
    %w[rounds number] => 10**20,
    %w[sessions ended_at] => "1700-01-01T00:00:00Z",
    %w[measures taken_at] => "2999-01-01T00:00:00Z"
  }
  it "takes nothing that is read back as something else: each is refused by row and column" do
    archive = JSON.parse(written)
    Windlass::Demo::Scenario.clear

    found =
      hurtful.map do |(table, column), value|
        copy = JSON.parse(JSON.generate(archive))
        copy[table][0][column] = value
        faults(JSON.generate(copy)).first
      end
    expect(found).to match(hurtful.keys.map { |table, column| start_with("#{table}[0].#{column}: ") })
    backwards = archive["sessions"].find { |row| row["started_at"] && row["ended_at"] }
    backwards["ended_at"] = "2025-01-01T00:00:00Z"
    expect(faults(JSON.generate(archive)).first).to match(/\Asessions\[\d+\].ended_at: .* lies before its beginning/)
  end

  it "is of one moment: what begins while it is written is not half in it" do
    archive = +""
    before = Windlass::Records::Session.count
    Windlass::Archive::Writer.new(account).write { |part| archive << part }
    expect(JSON.parse(archive)["sessions"].size).to eq before
  end

  it "is saved and read in from the page of the place" do
    submit("/place", "/place/archive.json")
    saved = last_response.body
    Windlass::Demo::Scenario.clear
    get("/place")
    post(
      "/place/import",
      {
        "authenticity_token" => page.at("meta[name=csrf-token]")["content"],
        "archive" =>
          Rack::Test::UploadedFile.new(StringIO.new(saved), "application/json", original_filename: "all.json")
      }
    )
    Delayed::Worker.new.work_off
    2.times { follow_redirect! }

    expect(text).to include("4 athletes read in")
  end
end
