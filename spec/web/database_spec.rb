# frozen_string_literal: true

require "web_helper"

RSpec.describe "The database", :web, :both_databases do
  it "itself refuses what must not be, whatever a form lets through" do
    athlete = make_athlete
    wrong = [
      -> { athlete.update_columns(height_cm: 10) },
      -> { athlete.update_columns(account_id: 99) },
      -> { make_pause(athlete, 24, ended_by: "boredom") },
      -> do
        Windlass::Records::Prescription.insert!(
          {
            account_id: 1, athlete_id: athlete.id, protocol: "x", dose: "{}", state: "quiet", started_on: "2026-01-01",
            created_at: clock.now, updated_at: clock.now
          }
        )
      end
    ]

    wrong.each do |write|
      expect {
        ActiveRecord::Base.transaction(requires_new: true) { write.call }
      }.to raise_error ActiveRecord::StatementInvalid
    end
  end

  it "keeps a move's overruling only with its reason" do
    prescription = prescribe(make_athlete.tap { |one| make_pause(one) })
    session = run_set(prescription)
    row = {
      account_id: 1,
      session: session,
      local_date: "2026-03-02",
      verdict: "repeat",
      decided: "advance",
      reasons: [],
      dose_before: {},
      decided_at: clock.now
    }

    expect {
      ActiveRecord::Base.transaction(requires_new: true) { prescription.moves.create!(row) }
    }.to raise_error ActiveRecord::StatementInvalid, /moves_overruled_with_reason/
  end

  it "finds the few sessions of a squad, or with a symptom, by index, also once its tables were looked at" do
    connection = ActiveRecord::Base.connection
    unless connection.adapter_name == "SQLite"
      skip("PostgreSQL counts what is not there apart, and walks through so little whatever indexes there are")
    end
    one = run_set(prescribe(make_athlete.tap { |athlete| make_pause(athlete) }))
    40.times { |back| one.dup.update!(uuid: SecureRandom.uuid, local_date: one.local_date - back - 1) }
    connection.execute("ANALYZE")

    with_symptoms =
      Windlass::Records::SessionLog.new(account, Windlass::Forms::LogForm.parse({"symptom" => "any"})).page.to_sql
    plans =
      [
        *%w[squad_id twin_of_id].map { |column| "SELECT * FROM sessions WHERE #{column} = 3" },
        with_symptoms
      ].map { |sql| connection.select_rows("EXPLAIN QUERY PLAN #{sql}").flatten.join(" ") }
    expect(plans).to match [
      /USING INDEX index_sessions_on_squad_id/,
      /USING INDEX index_sessions_on_twin_of_id/,
      /USING INDEX sessions_with_symptoms_by_day/
    ]
  end

  it "waits for another writer without losing anything" do
    file = File.expand_path("../../tmp/writers-#{Process.pid}.sqlite3", __dir__)
    FileUtils.rm_f(Dir["#{file}*"])
    connect = "require './app/rooms'; Windlass::Database.connect(ARGV[0]);"
    write =
      "4.times.map { |n| Thread.new { 25.times { |i| Windlass::Records::Account.create!(name: \"\#{n}-\#{i}\", " \
        "created_at: Time.now) } } }.each(&:join)"
    ruby = ->(program) do
      Process.spawn("bundle", "exec", "ruby", "-e", connect + program, file, chdir: File.expand_path("../..", __dir__))
    end

    Process.wait(ruby["Windlass::Database.migrate"])
    Array.new(2) { ruby[write] }.each { |pid| Process.wait(pid) }
    count = SQLite3::Database.new(file).get_first_value("SELECT count(*) FROM accounts")
    expect(count).to eq 201
  ensure
    FileUtils.rm_f(Dir["#{file}*"])
  end
end
