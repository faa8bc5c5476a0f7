# frozen_string_literal: true

require "web_helper"

# Charts of what was held and measured: numbers, not markup.
RSpec.describe "Charts" do
  monday = Builders::MONDAY

  describe Windlass::Presenters::DaysChart do
    let(:today) { Builders::MONDAY }

    def held(days_ago, longest_s, urge_s: nil, sum_s: longest_s, gasps: 0)
      Windlass::Queries::HeldDays::Held.new(
        date: today - days_ago,
        longest_s: longest_s,
        urge_s: urge_s,
        sum_s: sum_s,
        gasps: gasps
      )
    end

    def moved(days_ago, decided) = Windlass::Records::Move.new(local_date: today - days_ago, decided: decided)

    it "puts today at the right and twelve weeks ago at the left, longer holds higher, the first urge under the hold" do
      days = described_class.new([held(83, 40, urge_s: 30), held(0, 60, urge_s: 45, sum_s: 300)], [], today: today).days

      expect(days.map(&:x)).to eq [
        described_class::LEFT + described_class::BAR,
        described_class::RIGHT - described_class::BAR
      ].map(&:to_f)
      expect(days.last.hold_y).to eq described_class::HOLDS.first
      expect(days.map { |day| day.urge_y - day.hold_y }).to all(be > 0)
      expect(days.map(&:sum_y)).to match [be > described_class::SUMS.first, described_class::SUMS.first]
    end

    it "marks a day with a gasp, and sooner one that was decided downwards; says both in words" do
      chart =
        described_class.new(
          [held(3, 40, gasps: 2), held(2, 40, gasps: 1), held(1, 40)],
          [moved(2, "ease"), moved(1, "advance")],
          today: today
        )

      expect(chart.days.map(&:mark)).to eq [:gasp, :down, nil]
      expect(chart.days.first.words).to eq "Fri 27 Feb: longest hold 40 s, 40 s in all, 2 gasps"
      expect(
        chart.description
      ).to eq "3 days with holds; the longest hold 40 s, the most in a day 40 s; 2 days with a gasp."
    end

    it "begins weeks on Mondays and names every other one" do
      weeks = described_class.new([held(0, 5)], [], today: today).weeks

      expect(weeks.size).to eq 12
      expect(weeks.map(&:last).compact).to eq ["15 Dec", "29 Dec", "12 Jan", "26 Jan", "9 Feb", "23 Feb"]
    end

    it "has something to say where nothing was held" do
      empty = described_class.new([], [], today: today)
      expect([empty.empty?, empty.days, empty.description]).to eq [true, [], "No holds in the last 12 weeks."]
    end
  end

  describe Windlass::Presenters::MeasureChart do
    def chart(kind, *values)
      taken =
        values.each_with_index.map do |value, index|
          Windlass::Measures::Taken.new(value: value, taken_at: Time.new(2026, 3, 1 + index, 9), details: {})
        end
      described_class.new(taken, Windlass::Measures.kind(kind))
    end

    it "draws a dot a measure, the higher the more, from zero; times as times" do
      drawn = chart("maximal_hold", 60, 95)

      expect(drawn.dots.map(&:x)).to eq [described_class::LEFT.to_f, described_class::RIGHT.to_f]
      expect(drawn.dots.first.y).to be > drawn.dots.last.y
      expect(drawn.levels.map(&:last)).to eq ["0 s", "30 s", "1:00", "1:30"]
      expect(drawn.dots.last.words).to eq "Mon 2 Mar: 1:35"
      expect(drawn.description).to eq "2 measures, the newest 1:35. The numbers stand in the table."
    end

    it "stands with a single measure, and with one of nought" do
      single = chart("sustained_exhale", 24)

      expect([single.dots.map(&:x), single.days.size, single.path]).to eq [
        [described_class::LEFT.to_f],
        1,
        "M#{single.dots.first.x} #{single.dots.first.y}"
      ]
      expect(chart("breathing_movement", 0, 6).dots.map(&:y)).to match [
        described_class::BOTTOM,
        be < described_class::BOTTOM
      ]
    end
  end

  describe Windlass::Presenters::LadderLine do
    define_method(:line) do |id, rung, **bounds|
      described_class.new(
        Windlass::Progression::Standing.of(Windlass::Protocols.find(id), measures(maximal_hold_s: 240), **bounds).at(
          rung
        )
      )
    end

    it "marks the rungs that want care, and says what cut the ladder short" do
      shown = line("o2-table", 0, outlook: Windlass::Progression::Outlook.new(body, shown_s: 192))
      cut = line("o2-table", 99, outlook: Windlass::Progression::Outlook.new(body))

      expect(shown.knots.map(&:care).slice_when { |one, other| one != other }.map(&:first)).to eq [false, true]
      expect(shown.knots.last.words).to end_with "with care: buddy and oximeter"
      expect(cut.next_step).to eq "Top rung for now: The gas model forecasts oxygen under 75 % in a hold."
    end

    it "spells a step in the unit of its lever: times as times, counts as counts" do
      expect((0..2).map { |rung| line("co2-table", rung).next_step }).to eq [
        "Next: first rest 2:00 → 1:50",
        "Next: hold 2:00 → 2:05",
        "Next: rounds 6 → 7"
      ]
      expect(line("alternate-nostril", 1).next_step).to eq "Next: stage open → narrowed in"
      expect(line("walking-holds", 0).next_step).to eq "Logged, not laddered"
    end
  end

  describe Windlass::Presenters::Miniature do
    it "keeps a session within its row, marks its holds, and draws the same line once" do
      protocol = Windlass::Protocols.find("co2-table")
      dose = protocol.start(measures(maximal_hold_s: 120))
      drawn = described_class.of(protocol, dose, body)
      places = drawn.ink.scan(/(-?[\d.]+) (-?[\d.]+)/).map { |pair| pair.map(&:to_f) }

      expect(places.map(&:first)).to all(be_between(0, described_class::WIDTH))
      expect(places.map(&:last)).to all(be_between(0, described_class::HEIGHT))
      expect(drawn.holds.map(&:width).uniq.size).to be <= 2
      expect(described_class.of(protocol, dose, body)).to equal drawn
    end
  end

  describe Windlass::Presenters::Pixels do
    it "leaves what lies apart, and of what falls on one pixel what it shows: where the line comes in, how far it " \
      "goes, where it leaves" do
      apart = [[0.0, 4], [1.2, 9], [2.9, 9], [7.5, 1]]
      expect(described_class.shown(apart)).to eq apart
      random = Random.new(8)
      dense = Array.new(3_000) { [random.rand(0.0..240.0).round(1), random.rand(4.0..38.0).round(1)] }.sort_by(&:first)
      told = ->(places) do
        places
          .group_by { |x, _| x.floor }
          .transform_values { |pixel| [pixel.first, pixel.last, pixel.map(&:last).minmax] }
      end
      shown = described_class.shown(dense)

      expect(told[shown]).to eq told[dense]
      expect(
        [
          shown - dense,
          shown.group_by { |x, _| x.floor }.values.map(&:size).max,
          shown.map(&:first).each_cons(2).all? { |one, other| one <= other }
        ]
      ).to eq [[], 4, true]
    end

    it "keeps two hours of breaths in a row as small as a row is" do
      long = timeline { |line| 120.times { line.breathe(60, rate: 60) } }
      places = Windlass::Presenters::Miniature.new(long, body).ink.count("L")
      expect([Windlass::Timeline::VolumeTrace.points(long, body).size, places]).to match [
        14_401,
        be_between(400, 4 * Windlass::Presenters::Miniature::WIDTH)
      ]
    end
  end

  describe Windlass::Presenters::Rulebook do
    it "lists the rules in their reading order, every row as wide as its table" do
      book = described_class.new
      listed = book.markdown.scan(/^\| (\w+\.\w+) \|/).flatten
      widths = book.sections.map { |section| [section.columns.size, section.rows.map(&:size).uniq] }

      expect(listed).to eq (
        Windlass::Progression::Rules::ALL + Windlass::Progression::Readiness::ALL + Windlass::Programme::Rules::ALL
      ).map(&:id)
      expect(widths).to all(satisfy { |columns, rows| rows == [columns] })
    end
  end

  it "names days near today by what they are to it" do
    words = [0, 1, 2, -1].map { |ago| Windlass::Presenters::Dates.near(monday - ago, monday) }
    expect(words).to eq ["today", "yesterday", "Sat 28 Feb", "Tue 3 Mar"]
  end
end
