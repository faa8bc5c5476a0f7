# frozen_string_literal: true

require "web_helper"

RSpec.describe "Erasing", :web, :both_databases do
  tables = Windlass::Archive::TABLES.map(&:record) + [Windlass::Records::Letter, Windlass::Records::Role]

  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:mark) { "#{Windlass::Database.default_path}.erased" }

  after { FileUtils.rm_f(mark) if Windlass::Database.file? }

  def counts = Windlass::Archive::TABLES.to_h { |table| [table.name, table.record.unscoped.count] }

  def written
    text = +""
    Windlass::Archive::Writer.new(account).write { |part| text << part }
    text
  end

  # A life with something of most things, in a house that has somebody else.
  def live
    somebody = make_athlete(name: "Odd Falk").tap { |one| make_pause(one) }
    run_set(prescribe(somebody))
    before = counts
    run = run_set(prescribe(athlete))
    Windlass::Records::Photo.create!(
      account_id: account.id, session: run, uuid: SecureRandom.uuid, media_type: "image/png", bytes: "x",
      kept_at: clock.now
    )
    Windlass::Records::Group.create!(account: account, name: "Choir", athletes: [athlete, somebody])
    before
  end

  def erase(name = athlete.name)
    athlete.update!(left_on: clock.now.to_date)
    submit("/athletes/#{athlete.id}/edit", "/athletes/#{athlete.id}/erase", name: name)
  end

  it "takes every row of theirs at once, and of nobody else; only who has left, and only where the name is typed" do
    before = live
    submit("/athletes/#{athlete.id}/edit", "/athletes/#{athlete.id}/erase", name: athlete.name)
    expect([last_response.status, text]).to match [422, /trains here still/]
    erase("ines")
    expect([last_response.status, Windlass::Records::Athlete.count]).to eq [422, 2]
    erase
    expect(counts.except("members", "groups")).to eq before.except("members", "groups")
    expect(tables.flat_map { |record| record.unscoped.to_a.map { |row| row.attributes.to_s } }.grep(/Ines/)).to eq []
    2.times { get("/log") }
    expect(last_response.body).not_to include "Ines Aldaya"
  end

  it "is taken back for a fortnight, whole, by whoever did it; after that nothing is left" do
    live
    sets = athlete.sessions.count
    erase
    get("/athletes")
    undo = page.at("form[action^='/erasures']")["action"]
    coach, WebHelpers.seated = WebHelpers.seated, nil
    other = Windlass::Records::Person.create!(
      account_id: account.id, uuid: SecureRandom.uuid, name: "Tobias", login: "tobias", made_at: clock.now
    )
    other.roles.create!(kind: "coach", of_all: true, from_on: Date.new(2020, 1, 1))
    WebHelpers.seated = other.reload
    submit("/athletes", undo)
    expect(last_response.status).to eq 404
    WebHelpers.seated = coach
    submit("/athletes", undo)
    back = Windlass::Records::Athlete.find_by!(name: "Ines Aldaya")
    expect([back.sessions.count, back.measures.count, Windlass::Records::Erasure.count]).to eq [sets, 1, 0]

    submit("/athletes/#{back.id}/edit", "/athletes/#{back.id}/erase", name: back.name)
    clock.now += 15 * 86_400
    2.times { get("/athletes") }
    expect(page.at("form[action^='/erasures']")).to be_nil
    Windlass::Actions::EraseAthlete.purge(now: clock.now)
    expect(Windlass::Records::Erasure.count).to eq 0
  end

  it "holds where an older copy of the house is put back: nobody who was erased comes with it" do
    skip "a server has tools of its own for copies" unless Windlass::Database.file?
    live
    copy = written
    erase
    expect(File.stat(mark).mode & 0o777).to eq 0o600
    expect(File.read(mark)).not_to match(/Ines|#{athlete.uuid}/)
    Windlass::Archive::Reader.new(account).read(
      JSON.generate(JSON.parse(copy).tap { |all| all["athletes"].select! { |one| one["name"] == "Ines Aldaya" } }
        .then { |all| all.to_h { |key, rows| [key, (rows.is_a?(Array) && key != "athletes") ? [] : rows] } })
    )
    expect(Windlass::Records::Athlete.pluck(:name)).to include "Ines Aldaya"
    Windlass::Erased.apply
    expect(Windlass::Records::Athlete.pluck(:name)).to eq ["Odd Falk"]
  end
end
