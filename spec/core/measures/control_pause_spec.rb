# frozen_string_literal: true

# Handbook 3.1. Common practice, no published source.
RSpec.describe Windlass::Measures::ControlPause do
  it "counts where a bodily signal ended it and the first breath was calm" do
    valid = {diaphragm: true, throat: true, wish: true, impatience: false, anxiety: false, distraction: false}

    expect(valid.to_h { |ending, _| [ending, control_pause(ended_by: ending).valid?] }).to eq valid
    expect([control_pause(first_breath: :deeper), control_pause(first_breath: :gasp)].map(&:valid?)).to eq [
      false,
      false
    ]
  end

  it "is asked again under 3 s and over 90 s" do
    expect([2.9, 3, 90, 90.1].map { |seconds| control_pause(seconds).valid? }).to eq [false, true, true, false]
  end

  it "falls into bands whose edges belong to the band above" do
    bands = {9.9 => :very_short, 10 => :low, 19.9 => :low, 20 => :building, 39.9 => :building, 40 => :strong}

    expect(bands.to_h { |seconds, _| [seconds, control_pause(seconds).band.id] }).to eq bands
  end

  describe Windlass::Measures::MorningSeries do
    let(:monday) { Builders::MONDAY }

    it "takes the first valid score on waking of each day" do
      series =
        described_class.new(
          [
            control_pause(30, hour: 9),
            control_pause(22, hour: 6, first_breath: :gasp),
            control_pause(25, hour: 7),
            control_pause(40, on: monday + 1, on_waking: false),
            control_pause(26, on: monday + 2)
          ]
        )

      expect(series.scores.map(&:seconds)).to eq [25, 26]
    end

    it "finds the scores of any days among many, both days included, as a walk through all would" do
      random = Random.new(3)
      series =
        described_class.new(
          (0..90).reject { random.rand < 0.4 }.map { |back| control_pause(random.rand(8.0..40.0), on: monday - back) }
        )
      windows =
        Array.new(60) { [monday - random.rand(-5..95), monday - random.rand(-5..95)] } +
        [[monday, monday], [monday + 3, monday + 9], [monday - 200, monday - 150]]
      found = windows.map { |from, to| series.within(from, to) }

      expect(found).to eq(
        windows.map { |from, to| series.scores.select { |one| one.taken_at.to_date.between?(from, to) } }
      )
      expect(found.map(&:size).minmax).to match [0, be > 30]
    end

    it "has the median of fourteen days as its baseline" do
      series = described_class.new((0..20).map { |back| control_pause(10 + back, on: monday - back) })

      expect(series.baseline_s(monday)).to eq 16.5
      expect(series.baseline_s(monday - 30)).to be_nil
    end
  end

  describe Windlass::Measures::ControlPauseReading do
    def ids(pause, **context)
      Windlass::Measures::Readings.for(pause, Windlass::Measures::Context.new(**context)).map(&:id)
    end

    it "reads the same score in context" do
      expect(ids(control_pause(14))).to eq [:short]
      expect(ids(control_pause(14), nervous: true)).to eq [:anxious]
      expect(ids(control_pause(14, ended_by: :anxiety))).to eq [:anxious]
      expect(ids(control_pause(30, ended_by: :impatience))).to eq [:no_signal]
      expect(ids(control_pause(30, first_breath: :gasp))).to eq [:pushed]
      expect(ids(control_pause(45), trained: true)).to eq [:trained_long]
      expect(ids(control_pause(45), sleep_signs: true)).to eq [:sleep]
      expect(ids(control_pause(45))).to eq [:untrained_long]
      expect(ids(control_pause(45), trained: true, sleep_signs: true)).to eq [:trained_sleep]
      expect(
        [39.9, 40].map do |seconds|
          ids(control_pause(seconds), trained: true, sleep_signs: true).include?(:trained_sleep)
        end
      ).to eq [false, true]
      expect(ids(control_pause(14), child: true)).to eq [:short_child]
      expect(ids(control_pause(14), busy_signs: true)).to eq %i[short busy]
      expect(ids(control_pause(24))).to be_empty
      expect(ids(control_pause(120), trained: true)).to include(:implausible)
    end

    it "speaks of a drop at three quarters of the baseline and three seconds, unless a fall is expected" do
      expect(ids(control_pause(21), baseline_s: 28)).to eq [:drop]
      expect(ids(control_pause(21.1), baseline_s: 28)).to be_empty
      expect(ids(control_pause(21), baseline_s: 28, sleep_signs: true)).to eq [:expected_fall]
      expect(ids(control_pause(8), baseline_s: 10.8)).to eq [:short]
    end

    it "says whether it counts" do
      readings =
        [control_pause, control_pause(on_waking: false), control_pause(first_breath: :gasp)].map do |pause|
          described_class.read(pause, Windlass::Measures::Context.new)
        end

      expect(readings.map(&:verdict)).to eq %i[counts counts_apart does_not_count]
      expect(readings.first.headline).to start_with "24 s: building."
    end

    it "begins with the advice where there is one, never with a praise" do
      cases = {
        {trained: true, sleep_signs: true} => control_pause(52),
        {sleep_signs: true} => control_pause(45),
        {nervous: true} => control_pause(14),
        {} => control_pause(44)
      }
      headlines =
        cases.map { |context, pause| described_class.read(pause, Windlass::Measures::Context.new(**context)).headline }

      expect(headlines).to eq [
        "52 s: see a doctor first.",
        "45 s: see a doctor first.",
        "14 s: pause the measure.",
        "44 s: ask about sleep first."
      ]
      expect(
        described_class.read(control_pause(95), Windlass::Measures::Context.new).headline
      ).to eq "1:35. Does not count as a control pause: take it again."
    end
  end
end
