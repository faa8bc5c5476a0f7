# frozen_string_literal: true

require "web_helper"
require "tmpdir"
require_relative "../../app/rooms"

# A house of its own in a folder of its own: nothing of the others is touched.
RSpec.describe Windlass::Backup do
  around { |example| Dir.mktmpdir { |folder| (@folder = folder) && example.run } }

  let(:house) { File.join(@folder, "house.sqlite3") }
  let(:copies) { File.join(@folder, "backups") }
  let(:now) { Time.local(2026, 3, 2, 12) }

  # What another process does, on a connection of its own.
  def in_house(sql)
    database = SQLite3::Database.new(house)
    database.busy_timeout = 5_000
    database.execute(sql).flatten
  ensure
    database.close
  end

  before do
    database = SQLite3::Database.new(house)
    database.execute_batch(
      "PRAGMA journal_mode = WAL; CREATE TABLE schema_migrations (version text);
      CREATE TABLE athletes (id integer primary key, name text);
      CREATE TABLE rounds (id integer primary key, athlete_id integer REFERENCES athletes (id));
      INSERT INTO athletes VALUES (1, 'Ines Aldaya'); INSERT INTO rounds VALUES (1, 1);"
    )
    database.close
  end

  it "is what the house was at one moment, though somebody writes between any two steps, and comes back" do
    in_house(
      "WITH RECURSIVE more(number) AS (SELECT 2 UNION ALL SELECT number + 1 FROM more WHERE number < 6000) INSERT " \
      "INTO athletes SELECT number, hex(zeroblob(500)) FROM more"
    )
    steps = 0
    writes = -> do
      in_house("INSERT INTO athletes (name) VALUES ('#{steps += 1}')") &&
        in_house("UPDATE athletes SET name = 'Odd' WHERE id = #{6000 - steps}")
    end
    copy = described_class.take(house, copies, now: now, pause: writes).path
    expect([copy, File.stat(copy).mode & 0o777, Dir.children(copies)]).to eq [
      File.join(copies, "windlass-2026-03-02-120000.sqlite3"),
      0o600,
      ["windlass-2026-03-02-120000.sqlite3"]
    ]
    expect([steps, in_house("SELECT count(*) FROM athletes")]).to match [be >= 3, [6000 + steps]]

    before = described_class.restore(copy, house, now: now)
    expect(
      [in_house("SELECT count(*), sum(name = 'Odd') FROM athletes"), described_class.check(before).fetch("athletes")]
    ).to eq [[6000, 0], 6000 + steps]
  end

  it "keeps so many, and lets the oldest go" do
    4.times { |day| described_class.take(house, copies, now: now + day * 86_400, keep: 2) }
    expect(Dir.children(copies).sort).to eq %w[windlass-2026-03-04-120000.sqlite3 windlass-2026-03-05-120000.sqlite3]
  end

  it "leaves the key of the house out unless asked; a copy that has it brings it to where there is another" do
    key = "#{house}.key"
    allow(Windlass::Records::HouseKey).to receive(:file).with(house).and_return(key)
    File.write(key, "old\n")
    described_class.take(house, copies, now: now - 86_400)
    copy = described_class.take(house, copies, now: now, key: key, keep: 2).path
    expect(Dir.children(copies).grep(/key/)).to eq ["#{File.basename(copy)}.key"]
    File.write(key, "new\n")
    2.times { |times| described_class.restore(copy, house, now: now + times) }
    expect([File.read(key), File.stat(key).mode & 0o777]).to eq ["old\nnew\n", 0o600]
    described_class.take(house, copies, now: now + 60, keep: 1)
    expect(Dir.children(copies).grep(/key/)).to eq []
  end

  it "is refused where it is damaged, refers to nothing, is newer, or is no database; the house stays as it was" do
    copy = described_class.take(house, copies, now: now).path
    broken = {
      "damaged" => ->(path) { File.open(path, "r+b") { |file| file.seek(4096) && file.write("\xFF" * 100) } },
      "refers to nothing" => ->(path) do
        SQLite3::Database.new(path).tap { |base| base.execute("INSERT INTO rounds VALUES (2, 99)") }.close
      end,
      "newer Windlass (29990101000000)" => ->(path) do
        SQLite3::Database
          .new(path)
          .tap { |base| base.execute("INSERT INTO schema_migrations VALUES ('29990101000000')") }
          .close
      end,
      "can't be read as a database" => ->(path) { File.write(path, "a letter to the harbour master") }
    }
    broken.each do |words, harm|
      wrong = File.join(@folder, "wrong.sqlite3")
      FileUtils.cp(copy, wrong)
      harm.call(wrong)
      expect { described_class.restore(wrong, house, now: now) }.to raise_error(
        Windlass::Error,
        /#{Regexp.escape(words)}|malformed/
      )
    end
    expect([in_house("SELECT name FROM athletes"), Dir.glob("#{house}.before*")]).to eq [["Ines Aldaya"], []]
  end

  it "loses nothing where a restore is killed at any step after a server was: it is the one house or the other, " \
    "whole, and says which" do
    copy = described_class.take(house, copies, now: now).path
    # A server that was killed: the newest write stands in the log alone.
    writer =
      IO.popen(
        [
          RbConfig.ruby,
          "-r",
          "sqlite3",
          "-e",
          "base = SQLite3::Database.new(ARGV[0]); base.execute(\"INSERT INTO athletes VALUES (2, 'Odd Falk')\"); " \
          "puts 'written'; $stdout.flush; sleep",
          house
        ]
      )
    writer.gets
    Process.kill(:KILL, writer.pid)
    writer.close
    original = File.binread(house), File.binread("#{house}-wal")

    ends =
      12.times.map do |deaths|
        FileUtils.rm_f(Dir["#{house}*"])
        [house, "#{house}-wal"].zip(original) { |path, bytes| File.binwrite(path, bytes) }
        # It dies right before its next step on files.
        steps = 0
        %i[rm_f cp mkdir_p].each do |step|
          allow(FileUtils).to(
            receive(step).and_wrap_original do |own, *given|
              ((steps += 1) > deaths) ? throw(:killed) : own.call(*given)
            end
          )
        end
        allow(File).to(
          receive(:rename).and_wrap_original do |own, *given|
            ((steps += 1) > deaths) ? throw(:killed) : own.call(*given)
          end
        )
        catch(:killed) { described_class.restore(copy, house, now: now) }
        RSpec::Mocks.space.proxy_for(FileUtils).reset
        RSpec::Mocks.space.proxy_for(File).reset

        words = described_class.interrupted(house)
        [
          in_house("SELECT name FROM athletes"),
          words.to_s[/The house .*/],
          Dir.children(@folder).grep(/part|restoring|before.*(wal|shm)/)
        ]
      end
    expect(ends.uniq).to contain_exactly(
      [["Ines Aldaya", "Odd Falk"], nil, []],
      [["Ines Aldaya", "Odd Falk"], "The house is as it was before.", []],
      [["Ines Aldaya"], "The house is the one that was restored.", []],
      [["Ines Aldaya"], nil, []]
    )
  end

  it "does not come back into a house that somebody has open" do
    copy = described_class.take(house, copies, now: now).path
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
    expect { described_class.restore(copy, house, now: now) }.to raise_error(
      Windlass::Error,
      /is in use\. Stop Windlass first/
    )
  ensure
    Process.kill(:KILL, server.pid)
    server.close
  end
end
