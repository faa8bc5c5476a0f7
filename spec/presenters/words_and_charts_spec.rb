# frozen_string_literal: true

require "web_helper"

RSpec.describe "Presenters" do
  describe Windlass::Presenters::ControlPauseChart do
    let(:today) { Builders::MONDAY }

    def chart(*pauses) = described_class.new(pauses, today: today)

    it "puts today at the right and twelve weeks ago at the left, longer pauses higher" do
      drawn = chart(control_pause(20, on: today - 83), control_pause(40, on: today))

      expect(drawn.dots.map(&:x)).to eq [described_class::LEFT.to_f, described_class::RIGHT.to_f]
      expect(drawn.dots.last.y).to be < drawn.dots.first.y
      expect(chart(control_pause(20, on: today - 84)).dots).to be_empty
    end

    it "fills what counts in the morning series, and only that" do
      pauses = [
        control_pause(20, on: today - 2),
        control_pause(25, on: today - 1, first_breath: :gasp),
        control_pause(26, on: today - 1, hour: 9, on_waking: false),
        control_pause(22, on: today)
      ]

      expect(chart(*pauses).dots.map(&:full)).to eq [true, false, false, true]
    end

    it "draws the median from two scores on, and the bands that its height reaches" do
      expect(chart(control_pause(20)).median_path).to be_nil
      expect(chart(control_pause(20, on: today - 1), control_pause(30)).median_path.scan(/[ML]/).size).to eq 2
      expect(chart(control_pause(20)).bands.map(&:first)).to eq %w[low building]
      expect(chart(control_pause(44)).bands.map(&:first)).to eq %w[low building strong]
    end

    it "says so where there is nothing" do
      expect(chart.description).to eq "No control pause in the last twelve weeks."
      expect(chart(control_pause(20, on: today - 40)).description).to end_with "None valid in the last fortnight."
    end
  end

  describe Windlass::Presenters::LadderLine do
    it "fills the knot where the athlete stands and spells the next one out as its one change" do
      line = described_class.new(standing(2, control_pause_s: 14))

      expect(line.knots.map(&:current)).to eq [false, false, true, false, false, false, false, false]
      expect(line.knots.count(&:passed)).to eq 2
      expect([line.place, line.next_step]).to eq ["Rung 3 of 8", "Next: hold 5 s → 6 s"]
    end

    it "says what comes after the top and after half of the bottom" do
      expect(described_class.new(standing(7, control_pause_s: 14)).next_step).to eq "Top rung: take a new measure"
      halved = described_class.new(standing.halved)
      expect([halved.place, halved.next_step]).to eq ["Rung 1 of 10, half the rounds", "Next: the whole of this rung"]
    end
  end

  describe Windlass::Presenters::ForecastWords do
    def words(on = model, &pen) = described_class.of(on.forecast(timeline(&pen).segments))

    it "says whether the urge comes within the holds, when the oxygen is low, and the margin" do
      expect(
        words { |line| line.hold(10) }
      ).to eq "Holds end before the urge (25 s). Oxygen would reach the floor after 53 s. Margin: clear."
      mixed =
        words do |line|
          line.hold(30)
          line.breathe(120)
          over_breathe(line)
          line.hold(40)
        end
      expect(mixed).to start_with("The urge is expected in 1 of 2 holds, ").and end_with(
        " Margin: 1 clear and 1 inverted (oxygen gets low before the urge)."
      )
    end

    it "says what it does not know" do
      expect(
        words(Windlass::Physiology::Model.new(body)) { |line| line.hold(10) }
      ).to eq "Oxygen would reach the floor after 53 s. Without a valid control pause the urge is not known."
      expect(words { |line| line.breathe(60) }).to eq "No holds, so nothing to forecast."
    end
  end

  describe Windlass::Presenters::BenchChart do
    let(:bench) do
      form = Windlass::Forms::BenchForm.parse({})
      Windlass::Presenters::Bench.new(form, Windlass::Physiology::Model.new(form.body, control_pause_s: 25))
    end

    it "puts both holds at one start, and on each track urge and floor in their order" do
      clear, inverted = bench.chart.tracks

      expect(clear.urge_x).to be < clear.floor_x
      expect(inverted.floor_x).to be < inverted.urge_x
      expect([clear.kind, inverted.kind]).to eq %i[clear inverted]
      expect(clear.held_width).to eq inverted.held_width
    end

    it "keeps the words of a track within the drawing" do
      expect(bench.chart.tracks.map { |track| [track.words_anchor, track.words_x] }).to match [
        ["start", be < described_class::RIGHT - Windlass::Presenters::BenchTrack::WORDS_ROOM + 14],
        ["end", be > described_class::LEFT]
      ]
    end

    it "marks on the map where recipe A stands, and says from when on nothing warns" do
      map = bench.map
      margins = map.table.map { |breaths, _, _, margin| [breaths.to_i, margin] }
      first_inverted = margins.find { |_, margin| margin.start_with?("inverted") }.first

      expect(map.here.first).to eq map.breath_ticks.first.first
      expect(
        map.description
      ).to eq "From about #{first_inverted} deep breaths on the oxygen is low before the urge comes."
      expect(map.rows.flatten.map { |cell| [cell.row, cell.column] }.uniq.size).to eq 11 * 16
    end
  end
end
