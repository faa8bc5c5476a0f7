# frozen_string_literal: true

require "web_helper"
require_relative "../../db/demo/scenario"

# Archives that are hurt in one place, by chance: refused with a fault that says where, or read as they are; never half,
# never a failure.
RSpec.describe "A hurt archive", :web, :both_databases do
  rubbish = [
    nil,
    "",
    "x",
    -1,
    0,
    1.5,
    10**30,
    true,
    [],
    {},
    "2026-13-45",
    "9" * 300,
    [[[1]]],
    {"a" => nil},
    "\u0000"
  ].freeze

  def counts = Windlass::Archive::TABLES.sum { |table| table.record.count }

  # Changes one value, drops a column, doubles a row, or puts something else in the place of one.
  def hurt(archive, random)
    copy = JSON.parse(archive)
    rows = copy[Windlass::Archive::TABLES.map(&:name).select { |name| copy[name].any? }.sample(random: random)]
    row = rows.sample(random: random)
    case random.rand(6)
    when 0
      rows[rows.index(row)] = random.rand(9)
    when 1
      row.delete(row.keys.sample(random: random))
    when 2
      rows << row
    else
      row[row.keys.sample(random: random)] = yield
    end
    JSON.generate(copy)
  end

  it "is refused with row and column, or read; the house is as before, or has all of it" do
    Windlass::Demo::Scenario.load(
      now: clock.now,
      people: Windlass::Demo::PEOPLE.min_by(1) { |person| person.fetch("weeks", 12) }
    )
    account.own_protocols.create!(name: "Mine", protocol: "co2-table", dose: {"hold_s" => 60})
    archive = +""
    Windlass::Archive::Writer.new(account).write { |part| archive << part }
    Windlass::Demo::Scenario.clear

    read =
      Many.of(60).times.count do |seed|
        random = Random.new(seed)
        text = hurt(archive, random) { rubbish.sample(random: random) }
        Windlass::Archive::Reader.new(account).read(text)
        expect([seed, counts]).to match [seed, be > 100]
        Windlass::Demo::Scenario.clear
        true
      rescue Windlass::InvalidInput => error
        expect([seed, error.faults]).to match [seed, all(match(/\A(archive|place|[a-z_]+\[\d+\])(\.\w+)?: .+/))]
        expect([seed, counts]).to eq [seed, 0]
        false
      end

    expect(read).to be < Many.of(60) / 3.0
  end

  it "is refused cut off anywhere" do
    Windlass::Demo::Scenario.load(
      now: clock.now,
      people: Windlass::Demo::PEOPLE.min_by(1) { |person| person.fetch("weeks", 12) }
    )
    archive = +""
    Windlass::Archive::Writer.new(account).write { |part| archive << part }
    Windlass::Demo::Scenario.clear

    [0, 1, archive.bytesize / 3, archive.bytesize / 2, archive.bytesize - 3].each do |bytes|
      expect { Windlass::Archive::Reader.new(account).read(archive.byteslice(0, bytes)) }.to raise_error(
        Windlass::InvalidInput,
        /\Aarchive: /
      )
    end
    expect(counts).to eq 0
  end
end
