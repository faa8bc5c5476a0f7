# frozen_string_literal: true

require "web_helper"
require "tmpdir"
require_relative "../../app/rooms"

# A house of its own, made as Windlass makes one, and written to from another connection.
RSpec.describe Windlass::Tidy do
  around { |example| Dir.mktmpdir { |folder| (@folder = folder) && example.run } }

  let(:house) { File.join(@folder, "house.sqlite3") }

  def in_house(sql, *binds)
    database = SQLite3::Database.new(house)
    database.busy_timeout = 5_000
    database.execute(sql, binds).flatten
  ensure
    database.close
  end

  # Notes of five thousand sessions, most of which went.
  def fill(auto_vacuum)
    in_house("PRAGMA auto_vacuum = #{auto_vacuum}")
    in_house("PRAGMA journal_mode = WAL")
    in_house("CREATE TABLE notes (id INTEGER PRIMARY KEY, athlete_id INTEGER, note TEXT)")
    in_house("CREATE INDEX notes_by_athlete ON notes (athlete_id)")
    in_house(
      "WITH RECURSIVE n (id) AS (SELECT 1 UNION ALL SELECT id + 1 FROM n WHERE id < 5000) INSERT INTO notes SELECT " \
      "id, id % 40, hex(randomblob(200)) FROM n"
    )
    in_house("DELETE FROM notes WHERE id > 100")
    in_house("PRAGMA wal_checkpoint(TRUNCATE)")
  end

  it "gives back room step by step, with turns for whoever writes between, and loses nothing" do
    fill("INCREMENTAL")
    before = File.size(house)
    written = 0
    done =
      described_class.call(
        house,
        pause: -> { in_house("INSERT INTO notes (athlete_id, note) VALUES (1, ?)", "step #{written += 1}") }
      )
    in_house("PRAGMA wal_checkpoint(TRUNCATE)")

    expect([done.pages, done.left, written]).to match [be > 400, be < 10, be > 5]
    expect([File.size(house), in_house("SELECT count(*) FROM notes"), in_house("PRAGMA integrity_check")]).to match [
      be < before / 4,
      [100 + written],
      ["ok"]
    ]
    expect(in_house("SELECT stat FROM sqlite_stat1 WHERE idx = 'notes_by_athlete'").first).to match(/\A\d+ \d+/)
  end

  it "leaves in its place what an older file can't give back while it is used; written anew, it can" do
    fill("NONE")
    expect(described_class.call(house, pause: -> {})).to have_attributes(pages: 0, left: be > 400)

    server =
      IO.popen(
        [
          RbConfig.ruby,
          "-e",
          "file = File.open(ARGV[0], 'a'); file.flock(File::LOCK_SH); puts 'open'; $stdout.flush; sleep",
          "#{house}.open"
        ]
      )
    server.gets
    expect { described_class.whole(house) }.to raise_error(Windlass::Error, /is in use\. Stop Windlass first/)
    Process.kill(:KILL, server.pid)
    Process.wait(server.pid)
    described_class.whole(house)

    expect(
      [
        described_class.call(house, pause: -> {}).left,
        in_house("PRAGMA auto_vacuum"),
        in_house("SELECT count(*) FROM notes")
      ]
    ).to eq [0, [2], [100]]
  ensure
    server&.close
  end

  it "says so where there is no house" do
    expect { described_class.call("#{house}.gone") }.to raise_error(Windlass::Error, /gone: there is no database/)
    File.write(house, "a letter to the harbour master")
    expect { described_class.call(house) }.to raise_error(Windlass::Error, /can't be tidied/)
  end
end
