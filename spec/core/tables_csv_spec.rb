# frozen_string_literal: true

# Tables in any of the shapes that spreadsheets write.
RSpec.describe Windlass::Formats::Tables do
  today = Date.new(2026, 3, 20)

  define_method(:read) { |text, **more| described_class.read(text, today: today, **more) }

  it "reads comma or semicolon, UTF-8 or Windows-1252, with names of columns as people have them" do
    comma =
      read(
        "\xEF\xBB\xBFName,Date,Held,Effort,Note\r\n" \
        "Łucja,2026-03-01,\"60x2 g, ok\",7,\"cold, windy\"\r\n"
      ).rows.first
    semicolon =
      read(
        "who;what;day;line;time;symptoms\nJosé;Small holds;1.3.2026;62,5 s;7:30;nausea\n".encode("Windows-1252").b
      ).rows.first

    expect([comma.athlete, comma.entry.rounds.map(&:first_breath), comma.entry.effort, comma.entry.note]).to eq [
      "Łucja",
      %i[smooth gasp],
      7,
      "cold, windy"
    ]
    expect(
      [
        semicolon.athlete, semicolon.protocol, semicolon.entry.date, semicolon.entry.at,
        semicolon.entry.rounds.first.held_s, semicolon.entry.symptoms
      ]
    ).to eq ["José", "Small holds", Date.new(2026, 3, 1), "07:30", 62.5, [:nausea]]
  end

  it "reads what a spreadsheet calls Unicode text, a byte order mark, and lines that end in any way" do
    plain = "athlete\tdate\tholds\nŁucja\t2026-03-01\t60x2\nJosé\t2026-03-02\t55\n"
    shapes = [
      plain,
      "\uFEFF#{plain}",
      plain.gsub("\n", "\r\n"),
      plain.sub("\n", "\r\n").sub(/\n\z/, "\r"),
      "\uFEFF#{plain}".encode("UTF-16LE").b,
      "\uFEFF#{plain}".encode("UTF-16BE").b,
      plain.encode("UTF-16LE").b
    ]

    expect(shapes.map { |text| read(text).rows.map { |row| [row.athlete, row.entry.rounds.size] } }.uniq).to eq [
      [["Łucja", 2], ["José", 1]]
    ]
  end

  it "refuses what can not have been: days before 1990, moments of days that there are not, hold numbers beyond all " \
    "holds, and one that is there twice" do
    holds = ->(*numbers) do
      read("athlete,date,hold,held_s\n#{numbers.map { |number| "A,2026-03-01,#{number},60\n" }.join}").rows.first.faults
    end
    early = read("athlete,date,holds\nA,1700-01-01,60\n").rows.first.faults
    dive = read("athlete,under,seconds\nA,2026-02-30T10:00:00Z,60\n").rows.first.faults

    expect([early, dive.first, holds[1, 2]]).to match [
      ["column date: 1700-01-01 is not allowed; allowed: from 1990-01-01 on"],
      /is no moment/,
      []
    ]
    expect([holds[10**20], holds[3, 3]]).to match [
      [/\Aline 2, column hold: "1000+" is not allowed; allowed: 1 to 1000/],
      ["line 3, column hold: 3 is there twice in this session"]
    ]
  end

  it "asks which comes first only where both orders fit, and finds out where one does not" do
    both = "athlete,date,holds\nA,03/02/2026,60\nA,05/03/2026,60\n"
    expect(
      [
        read(both).asks_order?,
        read(both, day_first: true).rows.map { |row| row.entry.date.month },
        read(both, day_first: false).rows.map { |row| row.entry&.date&.month }
      ]
    ).to eq [true, [2, 3], [3, nil]]
    month_first = read("athlete,date,holds\nA,02/13/2026,60\nA,03/02/2026,60\n")
    expect([month_first.asks_order?, month_first.rows.map { |row| row.entry.date.day }]).to eq [false, [13, 2]]
    dotted = read("athlete,date,holds\nA,3.2.2026,60\nA,02/13/2026,60\n")
    expect([dotted.asks_order?, dotted.rows.map { |row| [row.entry.date.month, row.entry.date.day] }]).to eq [
      false,
      [[2, 3], [2, 13]]
    ]
  end

  it "names line and column of what is wrong, and refuses what is no such file" do
    rows = read("athlete,date,holds\nA,2026-02-30,60\nA,2027-01-01,60\nA,2026-03-01,60 gsap\n").rows
    expect(rows.map { |row| [row.number, row.faults] }).to eq [
      [2, ["column date: “2026-02-30” is no day there is"]],
      [3, ["column date: 2027-01-01 is still to come"]],
      [4, ['column holds, column 4: "gsap" is not known; perhaps "gasp"']]
    ]
    refused =
      ["name,holds\nA,60\n", "athlete,date,holds\nA,\"2026", "a\u0000b", "x" * 5_000_001].map do |text|
        read(text) && nil
      rescue
        $!.faults.first
      end # rubocop:disable Style/RescueModifier
    expect(refused).to match [
      /\Aline 1: the columns fit no table that is known here\. Holds need athlete, date, hold and held_s; /,
      /\Aline 2: Unclosed quoted field/,
      "file: is no text",
      /too many; allowed: 5000000/
    ]
  end

  it "puts holds together to sessions, and names the row and the column of one that can't be" do
    head = "session,date,athlete,protocol,hold,held_s,skipped,first_urge_s,first_breath,sao2_low\n"
    held =
      read(
        "#{head}a,2026-03-01,Ines,CO2,1,60,false,48.5,smooth,0.92\na,2026-03-01,Ines,CO2,2,,true,,,\n" \
        "b,2026-03-01,Ines,CO2,1,30,false,,gasp,\n"
      ).rows
    expect(held.map { |row| [row.number, row.id, Windlass::Log::Written.line(row.entry.rounds)] }).to eq [
      [2, "a", "60 s u48.5 lo92 x"],
      [4, "b", "30 g"]
    ]
    wrong =
      %w[60,false,61,, 1e9,false,,, 60,false,,gsap, 60,false,,,92 abc,false,,,].map do |cells|
        read("#{head}a,2026-03-01,Ines,CO2,1,#{cells}\n").rows.first.faults.first
      end
    expect(wrong.map { |fault| fault[/\Aline 2, column (\w+)/, 1] }).to eq %w[
      first_urge_s held_s first_breath sao2_low held_s
    ]
  end

  it "takes off what was put before a cell that a spreadsheet would run" do
    row = read("athlete,date,holds,note\n'=Ines,2026-03-01,60,'-windy\n").rows.first
    expect([row.athlete, row.entry.note]).to eq %w[=Ines -windy]
  end
end
