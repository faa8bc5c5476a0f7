# frozen_string_literal: true

ENV["BUNDLE_GEMFILE"] ||= File.expand_path("../../Gemfile", __dir__)
require "bundler/setup"
require "fileutils"
require "tmpdir"
require_relative "../../app/rooms"
require_relative "../../db/demo/scenario"

Windlass::Boot.up

module Bench
  # A house of 300 athletes and three years, made from the demo: its twelve weeks are laid one before the other, thinner
  # the older they are, and its people come again under other names. The same every time. Kept in a file of its own.
  class LargeHouse
    ATHLETES = 300
    PERIODS = 13
    PERIOD_DAYS = Windlass::Demo::Diary::DAYS
    # Of the days before the newest period one in so many is there.
    THINNED = 4
    # Numbers of one copy of a table lie below this.
    STRIDE = {
      "athletes" => 1_000, "prescriptions" => 1_000, "sessions" => 20_000, "rounds" => 400_000, "moves" => 20_000,
      "measures" => 20_000, "screenings" => 1_000, "clearances" => 1_000,
      "consents" => 1_000, "days" => 2_000, "suspensions" => 1_000
    }.freeze
    OF_A_DAY = {"sessions" => "local_date", "moves" => "local_date"}.freeze

    FILE = File.expand_path("../../tmp/large_house.sqlite3", __dir__)
    TABLES = File.expand_path("../../db/migrate/*.rb", __dir__)
    # The demo that it was made from, to compare with.
    DEMO = File.expand_path("../../tmp/large_house.demo.sqlite3", __dir__)

    # @return [String] path of the file, made where it is not there, or was made on another day or of other tables
    def self.path(today: Date.today)
      stamp = "#{today} #{Dir[TABLES].max[/\d+/]}"
      return FILE if File.exist?(FILE) && File.exist?("#{FILE}.made") && File.read("#{FILE}.made") == stamp

      FileUtils.rm_f(Dir["#{FILE.delete_suffix(".sqlite3")}*"])
      new.build
      File.write("#{FILE}.made", stamp)
      FILE
    end

    def build
      Windlass::Database.connect(FILE)
      Windlass::Database.migrate
      Windlass::Demo::Scenario.load(now: Time.now)
      people = connection.select_value("SELECT count(*) FROM athletes")
      connection.execute("VACUUM INTO #{connection.quote(DEMO)}")
      # What is sealed in it opens with the same key.
      FileUtils.cp("#{FILE}.key", "#{DEMO}.key")
      connection.execute("PRAGMA synchronous = OFF")
      connection.execute("PRAGMA foreign_keys = OFF")
      copies = (ATHLETES / people.to_f).ceil
      without_indexes do
        connection.transaction { (1...PERIODS).each { |period| lay(period) } }
        connection.transaction { (1...copies).each { |copy| people(copy, [ATHLETES - copy * people, people].min) } }
        connection.transaction { marks }
      end
      connection.execute("ANALYZE")
    end

    private

    def connection = Windlass::Records::Record.connection

    # An older period: what was done in the newest, so many days before, thinned.
    def lay(period)
      days = -period * PERIOD_DAYS
      kept = ->(column) { "(CAST(julianday(#{column}) AS integer) + #{period}) % #{THINNED} = 0" }
      copy(
        "sessions",
        period,
        moved(days, %w[planned_at started_at ended_at]).merge(date("local_date", days)),
        "state <> 'planned' AND #{kept["local_date"]} AND id < #{STRIDE["sessions"]}"
      )
      copy(
        "rounds",
        period,
        {"session_id" => "session_id + #{period * STRIDE["sessions"]}"},
        "id < #{STRIDE["rounds"]} AND session_id IN (SELECT id FROM sessions WHERE id < #{STRIDE["sessions"]} AND " \
        "state <> 'planned' AND #{kept["local_date"]})"
      )
      copy(
        "moves",
        period,
        moved(days, %w[decided_at]).merge(
          date("local_date", days),
          "session_id" => "session_id + #{period * STRIDE["sessions"]}"
        ),
        "id < #{STRIDE["moves"]} AND #{kept["local_date"]}"
      )
      copy(
        "measures",
        period,
        moved(days, %w[taken_at created_at]),
        "id < #{STRIDE["measures"]} AND kind = 'control_pause'"
      )
    end

    # The same people once more, with all that they ever did.
    def people(copy, count)
      of_them = "athlete_id <= #{count}"
      athlete = {"athlete_id" => "athlete_id + #{copy * STRIDE["athletes"]}"}
      prescription = {"prescription_id" => "prescription_id + #{copy * STRIDE["prescriptions"]}"}
      session = {"session_id" => "session_id + #{copy * PERIODS * STRIDE["sessions"]}"}
      copy("athletes", copy, {"name" => "name || ' #{copy + 1}'"}, "id <= #{count}")
      %w[screenings clearances consents days].each { |table|
        copy(table, copy, athlete, "id < #{STRIDE[table]} AND #{of_them}")
      }
      copy(
        "prescriptions",
        copy,
        athlete.merge("started_on" => "date(started_on, '-1000 days')"),
        "id < #{STRIDE["prescriptions"]} AND #{of_them}"
      )
      whole = PERIODS * STRIDE["sessions"]
      copy(
        "sessions",
        copy * PERIODS,
        {**athlete, **prescription, "squad_id" => "NULL", "twin_of_id" => "NULL"},
        "id < #{whole} AND #{of_them}"
      )
      copy(
        "rounds",
        copy * PERIODS,
        session,
        "id < #{PERIODS * STRIDE["rounds"]} AND session_id IN (SELECT id FROM sessions WHERE id < #{whole} AND " \
        "#{of_them})"
      )
      copy(
        "moves",
        copy * PERIODS,
        session.merge(prescription),
        "id < #{PERIODS * STRIDE["moves"]} AND prescription_id IN (SELECT id FROM prescriptions WHERE #{of_them})"
      )
      copy("measures", copy * PERIODS, athlete, "id < #{PERIODS * STRIDE["measures"]} AND #{of_them}")
    end

    # Three marks a round: as a deck would have sent them.
    def marks
      at = "rounds.number * 30000"
      [
        ["hold_start", at, "NULL"],
        ["hold_end", "#{at} + coalesce(held_ms, 0)", "NULL"],
        ["first_breath", "#{at} + coalesce(held_ms, 0) + 2000", "first_breath"]
      ].each_with_index { |(kind, at_ms, value), index| connection.execute(<<~SQL) }
        INSERT INTO journal_events (uuid, session_id, kind, at_ms, round, value, received_at)
        SELECT printf('%08x-0000-4000-8000-%012x', session_id, rounds.id * 3 + #{index}), session_id, '#{kind}',
          #{at_ms}, rounds.number, #{value}, sessions.ended_at
        FROM rounds JOIN sessions ON sessions.id = rounds.session_id
        WHERE rounds.hold IS NOT NULL AND (#{value} IS NOT NULL OR #{index} < 2)
      SQL
    end

    # @param changes [Hash{String => String}] SQL by column; all others stay as they are
    def copy(table, number, changes, where)
      columns = connection.columns(table).map(&:name)
      fresh = {
        "id" => "id + #{number * STRIDE.fetch(table)}",
        "uuid" => "printf('%08x', #{number * STRIDE.fetch(table)} + id) || substr(uuid, 9)"
      }.merge(changes)
      values = columns.map { |column| fresh.fetch(column, column) }
      connection.execute(
        "INSERT INTO #{table} (#{columns.join(", ")}) SELECT #{values.join(", ")} FROM #{table} WHERE #{where}"
      )
    end

    def moved(days, columns) =
      columns.to_h { |column| [column, "strftime('%Y-%m-%d %H:%M:%f000', #{column}, '#{days} days')"] }

    def date(column, days) = {column => "date(#{column}, '#{days} days')"}

    # Indexes are made once at the end: each row would change all of them.
    def without_indexes
      made =
        connection.select_rows(
          "SELECT name, sql FROM sqlite_master WHERE type = 'index' AND sql IS NOT NULL AND tbl_name IN " \
          "('sessions', 'rounds', 'moves', 'measures', 'journal_events')"
        )
      made.each { |name, _| connection.execute("DROP INDEX #{connection.quote_column_name(name)}") }
      yield
      made.each { |_, sql| connection.execute(sql) }
    end
  end
end
