# frozen_string_literal: true

require "web_helper"
require_relative "../../db/demo/scenario"

# Long files are read in behind the page: visible in one step, stopped when asked, finished by another process where one
# was killed.
RSpec.describe "Files that are read in behind the page", :web, :both_databases do
  # What no rescue catches: as if the process were gone.
  killed = Class.new(Exception) # rubocop:disable Lint/InheritException

  # The queue goes by the time of this machine; nobody else wants a turn.
  before do
    clock.now = Time.now
    allow(Windlass::Imports::Reported).to receive(:new).and_wrap_original { |make, made|
      make.call(made, pause: ->(_) {})
    }
  end

  let(:athlete) { make_athlete.tap { |one| make_pause(one) && prescribe(one) } }

  def upload(to, from, field, content, **more)
    get(from)
    post(
      to,
      {
        "authenticity_token" => page.at("meta[name=csrf-token]")["content"],
        field => Rack::Test::UploadedFile.new(StringIO.new(content), "text/plain", original_filename: "file")
      }.merge(more)
    )
  end

  def work_off = Delayed::Worker.new.work_off

  def import = Windlass::Records::Import.order(:id).last

  def sessions = Windlass::Records::Session.seen.where(athlete: athlete)

  def notebook(days)
    rows = (1..days).map { |day| [clock.now.to_date - day, "5x13 ok e3", "as before " * 30].join(",") }
    ["name,protocol,date,holds,note", *rows.map { |row| "Ines Aldaya,Small holds,#{row}" }, ""].join("\n")
  end

  # Before it says that it is so many steps further.
  def at_step(number)
    left = number
    stub_const("Windlass::Imports::Reported::EVERY_S", 0)
    allow(Windlass::Imports::Reported).to receive(:new).and_wrap_original do |make, made|
      make
        .call(made, pause: ->(_) {})
        .tap do |progress|
          allow(progress).to receive(:step).and_wrap_original { |step, *some|
            ((left -= 1) == -1 && yield) || step.call(*some)
          }
        end
    end
  end

  def archive
    text = +""
    Windlass::Archive::Writer.new(account).write { |part| text << part }
    text
  end

  it "are looked at, kept when that is said, and judged; meanwhile nobody sees half of them" do
    athlete
    upload("/log/table", "/log", "table", notebook(60))
    follow_redirect!
    expect(text).to include("It waits for its turn.", "Stop it")
    work_off
    get("/imports/#{import.uuid}")
    expect(text).to include("60 rows would be kept; 0 here already or discarded; 0 wrong.")

    seen = []
    watcher =
      ActiveSupport::Notifications.subscribe("sql.active_record") do |*, payload|
        seen << sessions.count if payload[:sql].start_with?("INSERT INTO \"rounds\"")
      end
    submit("/imports/#{import.uuid}", "/imports/#{import.uuid}/keep")
    work_off
    ActiveSupport::Notifications.unsubscribe(watcher)
    expect([seen.size, seen.uniq, sessions.count, sessions.where.not(proposed_verdict: nil).count]).to eq [
      60,
      [0],
      60,
      60
    ]
    get("/imports/#{import.uuid}")
    follow_redirect!
    expect([last_request.path, text]).to match ["/log", include("60 rows kept.")]
    expect(Windlass::Records::ImportPiece.count).to eq 0

    post("/imports/#{import.uuid}/keep", "authenticity_token" => page.at("meta[name=csrf-token]")["content"])
    expect([last_response.status, text]).to match [422, include("Nothing is asked of this file any more.")]
  end

  it "are stopped before they begin, in the middle, and where they ask; then nothing of them is there" do
    athlete
    3.times do |times|
      upload("/log/table", "/log", "table", notebook(60), keep: ("yes" if times < 2).to_s)
      at_step(80) { import.stop && nil } if times == 1
      work_off if times == 2
      submit("/imports/#{import.uuid}", "/imports/#{import.uuid}/stop") unless times == 1
      work_off
      expect([import.state, Windlass::Records::Session.count, Windlass::Records::ImportPiece.count]).to eq [
        "stopped",
        0,
        0
      ]
    end
  end

  it "are forgotten a day later, whole, where nobody answered; one that runs is not" do
    about = {kind: "table", bytes: notebook(1), about: {}}
    asked, runs, fresh =
      [90_000, 90_000, 3600].map { |ago| Windlass::Records::Import.keep(account, **about, now: clock.now - ago) }
    asked.update!(state: "asks")
    runs.update!(state: "working")
    Windlass::Imports.forget_old(now: clock.now)
    expect([Windlass::Records::Import.ids, Windlass::Records::ImportPiece.distinct.pluck(:import_id)]).to all(
      match_array([runs.id, fresh.id])
    )
  end

  # Whatever was written when it was killed: the one that goes on leaves the same behind as one that was never killed.
  it "come in once and whole where the process was killed at any step" do
    athlete
    kept =
      [0, 7, 30, 59, 60, 61].map do |steps|
        [Windlass::Records::Round, Windlass::Records::Session].each(&:delete_all)
        made = Windlass::Records::Import.keep(account, kind: "table", bytes: notebook(30), about: {}, now: clock.now)
        at_step(steps) { raise killed }
        begin
          Windlass::Imports::Run.new(made, now: clock.now).call
        rescue killed
          Windlass::Imports::Run.new(Windlass::Records::Import.find(made.id), now: clock.now).call
        end
        [
          made.reload.state,
          made.result["words"],
          Windlass::Records::Session.count,
          sessions.where.not(proposed_verdict: nil).count,
          Windlass::Records::Round.count
        ]
      end
    expect(kept.uniq).to eq [["done", "30 rows kept.", 30, 30, 390]]
  end

  describe "an archive" do
    let!(:whole) do
      Windlass::Demo::Scenario.load(
        now: clock.now,
        people: Windlass::Demo::PEOPLE.min_by(2) { |person| person.fetch("weeks", 12) }
      )
      archive.tap { Windlass::Demo::Scenario.clear }
    end
    let(:made) { Windlass::Records::Import.keep(account, kind: "archive", bytes: whole, about: {}, now: clock.now) }

    def everything
      Windlass::Archive::TABLES
        .to_h { |table| [table.name, table.record.unscoped.count] }
        .select { |_, count| count > 0 }
    end

    it "is nobody's until all of it is there, and the house's from then on, however far its rows have moved" do
      empty = archive
      seen = []
      watcher =
        ActiveSupport::Notifications.subscribe("sql.active_record") do |*, payload|
          if payload[:sql].start_with?("INSERT INTO \"measures\"")
            house = [Windlass::Records::Account.first, Windlass::Records::Account.house]
            seen << [*house.map { |one| one.athletes.count }, archive == empty]
          end
        end
      reader = Windlass::Archive::Reader.new(account)
      left = reader.bring(whole)
      ActiveSupport::Notifications.unsubscribe(watcher)
      expect(seen.uniq).to eq [[0, 0, true]]

      shown = %w[/ /athletes /log /programme/load /water].to_h { |path| [path, get(path) && text] }
      expect([archive == whole, shown.fetch("/athletes")]).to match [
        true,
        include(*Windlass::Records::Athlete.pluck(:name))
      ]
      Windlass::Archive::Reader.finish(left)
      expect([archive == whole, shown.keys.to_h { |path| [path, get(path) && text] }]).to eq [true, shown]
      expect(
        Windlass::Archive::TABLES
          .select(&:owned?)
          .flat_map { |table| table.record.unscoped.distinct.pluck(:account_id) }
          .uniq
      ).to eq [account.id]
    end

    it "comes in once and whole where the process was killed at any step, and leaves nothing where it is wrong at " \
      "its end" do
      stub_const("Windlass::Archive::Reader::SLICE", 50)
      [3, 30, 60].each do |steps|
        at_step(steps) { raise killed }
        expect { Windlass::Imports::Run.new(made, now: clock.now).call }.to raise_error(killed)
      end
      Windlass::Imports::Run.new(made.reload, now: clock.now).call
      expect([made.reload.state, archive == whole, Windlass::Records::Account.staging.count]).to eq ["done", true, 0]

      before = everything
      again = Windlass::Records::Import.keep(account, kind: "archive", bytes: whole, about: {}, now: clock.now)
      Windlass::Imports::Run.new(again, now: clock.now).call
      get("/imports/#{again.uuid}")
      expect([text, everything]).to match [include("athletes[0]: is here already"), before]
    end

    it "that somebody left who was killed goes after a day, and nothing else does" do
      make_athlete
      before = everything
      reader = Windlass::Archive::Reader.new(account)
      allow(reader).to receive(:write).and_wrap_original { |write, table, rows|
        (table.name == "sessions") ? raise(killed) : write.call(table, rows)
      }
      expect { reader.bring(whole) }.to raise_error(killed)
      Windlass::Archive::Staging.sweep(now: Time.now + 3600)
      expect(everything).not_to eq before
      Windlass::Archive::Staging.sweep(now: Time.now + 90_000)
      expect([everything, Windlass::Records::Account.count]).to eq [before, 1]
    end
  end
end
