# frozen_string_literal: true

# progression.md 1.
RSpec.describe Windlass::Progression::Ladder do
  def rungs(control_pause_s, **options)
    described_class.new(small_holds, measures(control_pause_s), **options).rungs.map { |dose| dose.values_at(:hold_s, :minutes, :sets) }
  end

  # Worked by hand from the table: sets to 3, minutes to 8, hold to 60 % of 14 s, down to 8; in turns.
  it "steps one lever at a time, in turns, passing over those at their limit" do
    expect(rungs(14)).to eq [[5, 5, 2], [5, 5, 3], [5, 6, 3], [6, 6, 3], [6, 7, 3], [7, 7, 3], [7, 8, 3], [8, 8, 3]]
  end

  it "never holds past 60 % of the control pause, nor past 10 s" do
    tops = [6, 10, 12, 16.6, 17, 40].to_h { |pause| [pause, rungs(pause).last.first] }

    expect(tops).to eq({6 => 3, 10 => 6, 12 => 7, 16.6 => 9, 17 => 10, 40 => 10})
  end

  it "keeps to a coach's tighter limit and ignores a looser one" do
    expect(rungs(40, limits: {hold_s: 6}).last).to eq [6, 8, 3]
    expect(rungs(40, limits: {hold_s: 30})).to eq rungs(40)
  end

  it "is not offered without a measure, and its hold lever is off where the measure is paused" do
    expect(described_class.new(small_holds, measures(nil))).not_to be_offered_at_all
    paused = described_class.new(small_holds, measures(nil, control_pause_paused: true))
    expect(paused.rungs.map { |dose| dose[:hold_s] }.uniq).to eq [3]
  end

  it "names the one change that leads to the next rung" do
    lever, now, later = described_class.new(small_holds, measures(14)).change_after(2)

    expect([lever.key, now, later]).to eq [:hold_s, 5, 6]
  end

  describe Windlass::Progression::Standing do
    def standing_with(control_pause_s, dose) = described_class.of(small_holds, measures(control_pause_s), dose: dose)

    it "stands after a new measure on the highest rung that is no harder than the dose they had" do
      had = {hold_s: 8, minutes: 8, sets: 3}

      expect(standing_with(40, had).dose).to eq had
      expect(standing_with(11, had).dose).to eq({hold_s: 6, minutes: 8, sets: 3})
    end

    it "keeps a dose that is easier than the new start as the lowest rung" do
      standing = standing_with(40, {hold_s: 3, minutes: 5, sets: 2})

      expect([standing.rung, standing.dose[:hold_s]]).to eq [0, 3]
      expect(standing.ladder.rungs[1]).to eq({hold_s: 3, minutes: 5, sets: 3})
    end

    it "keeps a reduced dose half of what it was half of" do
      standing = described_class.of(small_holds, measures(40), dose: {hold_s: 3, minutes: 2.5, sets: 3}, reduced: true)

      expect([standing.dose, standing.ladder.rungs.first]).to eq [{hold_s: 3, minutes: 2.5, sets: 3}, {hold_s: 3, minutes: 5, sets: 3}]
    end

    it "falls to the new lowest rung where the dose they had passes a new limit" do
      expect(standing_with(6, {hold_s: 5, minutes: 4, sets: 2}).dose).to eq({hold_s: 3, minutes: 5, sets: 2})
    end
  end
end
