# frozen_string_literal: true

require "spec_helper"
require "fileutils"
require "json"
require "open3"

# The recipes of CONTRIBUTING.md, each cooked in a scratch copy and asked of a process of its own.
RSpec.describe "A recipe of CONTRIBUTING.md" do
  root = File.expand_path("../..", __dir__)
  contributing = File.read(File.join(root, "CONTRIBUTING.md"))

  house = <<~RUBY
    account = Windlass::Records::Account.first || Windlass::Records::Account.create!(name: "House")
    about = {born_on: "1995-04-01", sex: "female", height_cm: 169, mass_kg: 61, disciplines: ["singing"]}
    athlete = account.athletes.create!(name: "Ada", **about)
    athlete.consents.create!(account_id: account.id, version: 1, given_at: Time.now)
    require "rack/mock"
    coach = Windlass::Records::Person.create!(account_id: account.id, uuid: SecureRandom.uuid, name: "Maren",
      made_at: Time.now)
    coach.roles.create!(kind: "coach", of_all: true, from_on: Date.today)
    seat = {"HTTP_HOST" => "127.0.0.1", "rack.session" => {}, Windlass::SignIn::PERSON_ID => coach.id}
    get = ->(path) { Rack::MockRequest.new(Windlass::Web).get(path, seat).body }
  RUBY

  # Always in the same place, with what was compiled before: a start takes a third of the time.
  before do
    @copy = File.join(root, "tmp/recipe")
    FileUtils.rm_rf(@copy)
    FileUtils.mkdir_p(File.join(@copy, "tmp"))
    FileUtils.cp_r(%w[lib app config data db docs].map { |name| File.join(root, name) }, @copy, preserve: true)
    Dir[File.join(@copy, "db/*.sqlite3*")].each { |file| File.delete(file) }
    FileUtils.ln_s(File.join(root, "tmp/cache"), File.join(@copy, "tmp/cache"))
  end

  after { FileUtils.rm_rf(@copy) }

  def put(path, text) = File.write(File.join(@copy, path), text)

  # @return [Object] what the script prints as JSON
  def ask(script, needs: "windlass")
    out, error, status =
      Open3.capture3(
        {"TZ" => "UTC"},
        RbConfig.ruby,
        "-I",
        File.join(@copy, "lib"),
        "-e",
        "require #{needs.inspect}\nrequire \"json\"\n#{script}",
        chdir: @copy
      )
    expect([status.success?, error]).to eq [true, ""]
    JSON.parse(out)
  end

  # On a database of the copy.
  def ask_house(script) =
    ask(
      "Windlass::Database.connect(File.join(#{@copy.inspect}, " \
      "\"house.sqlite3\"))\nWindlass::Database.migrate\n#{script}",
      needs: File.join(@copy, "app/rooms")
    )

  it "for a rule of the judge: it fires, and what it fires on is clean no more" do
    rule = contributing[/```ruby\n(EaseEffort =.*?)```/m, 1]
    expect(
      File.read(File.join(root, "lib/windlass/progression/rules/ease_effort.rb")).gsub(/^ {6}/, "")
    ).to include rule
    late = {"EaseEffort" => "RepeatLate", "ease.effort" => "repeat.late", ":ease" => ":repeat", ">= 9" => ">= 4"}
      .reduce(rule) { |text, (was, is)| text.sub(was, is) }
    put(
      "lib/windlass/progression/rules/repeat_late.rb",
      "module Windlass\nmodule Progression\nmodule Rules\n#{late}end\nend\nend\n"
    )
    days =
      [5, 2, 2, 2].each_with_index.map do |effort, day|
        {date: "2026-03-0#{day + 1}", effort: effort, rounds: Array.new(26) { {held_s: 5, first_breath: "smooth"} }}
      end
    questions =
      days.each_index.map do |at|
        {
          protocol: "small-holds",
          measures: {control_pause_s: 25},
          rung: 0,
          session: days[at],
          history: days.first(at).map { |day| day.merge(rung: 0) }
        }
      end

    verdicts =
      ask(
        "puts JSON.generate(JSON.parse(#{JSON.generate(questions).inspect}).map { |question| " \
        "Windlass::Cli::Judge.call(JSON.generate(question), {})[:reasons].first[:rule] })",
        needs: "windlass"
      )
    # Were the first day clean, the second one would be the second in a row.
    expect(verdicts).to eq %w[repeat.late repeat.count advance.clean advance.clean]
  end

  it "for a protocol: it has a ladder, a line, a page and a forecast" do
    family = contributing[/```ruby\n(# frozen_string_literal: true\n\nmodule Windlass\n  module Protocols.*?)```/m, 1]
    expect(File.read(File.join(root, "lib/windlass/protocols/walking_holds.rb"))).to eq family
    put(
      "lib/windlass/protocols/hopping_holds.rb",
      family
        .gsub("WalkingHolds", "HoppingHolds")
        .gsub("walking-holds", "hopping-holds")
        .sub("rests 60, 10..600\n", "rests 60, 10..600\n\n      lever :rounds, step: 1, limit: 6\n")
    )

    found = ask_house(<<~RUBY)
      hops = Windlass::Protocols.find("hopping-holds")
      measures = Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 90)
      ladder = Windlass::Progression::Standing.of(hops, measures).ladder
      #{house}
      shown = get["/protocols/hopping-holds"]
      puts JSON.generate([ladder.rungs.map { |dose| dose[:rounds] }, hops.compile(ladder.rungs.last).holds.size,
        shown.include?("Walking holds")])
    RUBY
    expect(found).to eq [[4, 5, 6], 6, true]
  end

  it "for a measure: it is taken, kept and shown" do
    put(
      "lib/windlass/measures/kinds/humming.rb",
      File
        .read(File.join(root, "lib/windlass/measures/kinds/empty_hold.rb"))
        .gsub("EmptyHold", "Humming")
        .gsub("empty_hold", "humming")
        .gsub("Empty hold", "Humming")
    )
    expect(
      ask_house(
        "#{house}\nputs JSON.generate([Windlass::Actions::TakeMeasure.call(athlete, " \
        "Windlass::Measures.kind(\"humming\"), {uuid: SecureRandom.uuid, taken_on: Date.today, seconds: 20, " \
        "first_breath: \"smooth\", eventful: \"no\"}, now: Time.now).value, " \
        "get[\"/athletes/\#{athlete.id}/measures\"]])"
      )
    ).to match [20, include("Humming")]
  end

  it "for a column: archives of before it come in, and what goes out with it comes in again" do
    put(
      "db/migrate/20991231000001_say_what_was_sung.rb",
      "class SayWhatWasSung < ActiveRecord::Migration[7.2]\n  def change = add_column(:sessions, :sung, :string, " \
      "null: false, default: \"nothing\")\nend\n"
    )
    old = Dir[File.join(root, "spec/fixtures/archives/version-*.json")]
    found = ask_house(<<~RUBY)
      #{house}
      today = Date.new(2026, 12, 1)
      old = #{old.inspect}.map { |path| Windlass::Archive::Reader.new(account, today: today).read(File.read(path)) }
      sung = Windlass::Records::Session.pluck(:sung)
      Windlass::Records::Session.update_all(sung: "low")
      written = +""
      Windlass::Archive::Writer.new(account).write { |part| written << part }
      puts JSON.generate([old, sung.uniq, written.include?('"sung":"low"')])
    RUBY
    expect(found).to eq [[1] * old.size, ["nothing"], true]
  end
end
