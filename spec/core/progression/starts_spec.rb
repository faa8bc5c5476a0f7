# frozen_string_literal: true

# progression.md 1, row by row: where each ladder starts, and where it ends, for a control pause of 25 s, a maximal hold
# of 120 s and nothing else. Worked out by hand from the table.
RSpec.describe "The table of ladders" do
  known = {control_pause_s: 25, maximal_hold_s: 120}.freeze
  table = {
    "small-holds" => [{hold_s: 5, minutes: 5, sets: 2}, {hold_s: 10, minutes: 8, sets: 3}],
    "co2-table" => [
      {hold_s: 60, first_rest_s: 120, rest_step_s: 15, rest_floor_s: 30, rounds: 6},
      {hold_s: 70, first_rest_s: 60, rounds: 8}
    ],
    "o2-table" => [
      {first_hold_s: 45, top_hold_s: 70, rest_s: 120, rounds: 6},
      {first_hold_s: 45, top_hold_s: 95, rest_s: 120, rounds: 8}
    ],
    "counted-recovery" => [{hold_s: 45, breaths: 6, rounds: 6}, {hold_s: 60, breaths: 1, rounds: 8}],
    "loaded-holds" => [
      {repetitions: 10, hold_s: 10, breaths: 5, rounds: 4},
      {repetitions: 16, hold_s: 20, breaths: 3, rounds: 8}
    ],
    "single-hold" => [{in_s: 3, out_s: 6, breathe_up_s: 120, hold_s: 70, holds: 1}, {hold_s: 95, holds: 3}],
    "full-breath" => [{hold_s: 10, breaths: 3}, {hold_s: 15, breaths: 5}],
    "ratio" => [{pattern: [4, 2, 4, 2], count_s: 1, rounds: 6}, {pattern: [6, 3, 6, 3], rounds: 12}],
    "ratio-deep" => [{pattern: [4, 16, 8, 0], count_s: 0.8, rounds: 5}, {count_s: 1.2, rounds: 9}],
    "alternate-nostril" => [{stage: 0, cycles: 2, rounds: 2, count_s: 1}, {stage: 4, cycles: 3, rounds: 4}],
    "deep-rounds" => [{breaths: 20, recovery_hold_s: 15, rounds: 2}, {breaths: 30, recovery_hold_s: 15, rounds: 3}],
    "bellows" => [{gear_s: 15, hold_s: 15, rounds: 2}, {gear_s: 20, hold_s: 40, rounds: 3}],
    "hiss-ladder" => [{top_beats: 16, tempo: 66}, {top_beats: 40, tempo: 60}],
    "stacked-exhale" => [{longest_hold_s: 6, repeats: 1}, {longest_hold_s: 10, repeats: 3}],
    "own-pace" => [{minutes: 3}, {minutes: 5, suspend_s: 5}],
    "quiet-breathing" => [{in_s: 3, out_s: 6, minutes: 5}, {in_s: 3, out_s: 6, minutes: 15}],
    "belly-drill" => [{in_s: 3, out_s: 5, minutes: 3}, {minutes: 10}],
    "zone-drill" => [{in_s: 3, out_s: 5, minutes: 3}, {minutes: 10}],
    "walking-holds" => [{steps: 10, rounds: 4}, {steps: 10, rounds: 4}]
  }

  table.each do |id, (first, last)|
    it "starts and ends #{id} as it says" do
      ladder = Windlass::Progression::Ladder.new(Windlass::Protocols.find(id), measures(**known))

      expect(ladder.rungs.first).to include first
      expect(ladder.rungs.last).to include last
    end
  end

  it "asks three clean sessions in a row of the hard ones, two of all others" do
    three = Windlass::Protocols::ALL.select { |protocol| protocol.clean_sessions == 3 }.map(&:id)

    expect(three).to match_array %w[o2-table single-hold loaded-holds deep-rounds]
    expect(Windlass::Protocols::ALL.map(&:clean_sessions).uniq).to match_array [2, 3]
  end

  it "offers no table, single or loaded hold under a maximal hold of 40 s, and no start past its own limit" do
    offered =
      [39, 40].map do |seconds|
        Windlass::Protocols::ALL
          .select { |protocol| protocol.needs.key?(:maximal_hold_s) }
          .select do |protocol|
            Windlass::Progression::Ladder.new(protocol, measures(maximal_hold_s: seconds)).offered_at_all?
          end
          .map(&:id)
      end

    expect(offered).to eq [[], %w[co2-table counted-recovery o2-table single-hold loaded-holds]]
    tight =
      Windlass::Progression::Ladder.new(
        Windlass::Protocols.find("loaded-holds"),
        measures(maximal_hold_s: 40),
        limits: {rounds: 3}
      )
    expect(tight).not_to be_offered_at_all
  end

  # progression.md 2: at the lowest rung an ease halves the rounds, or minutes, or breaths.
  it "halves what can be halved at the lowest rung, and knows the half again; one hold has no half" do
    halves = {
      "co2-table" => {rounds: 3},
      "small-holds" => {minutes: 2.5},
      "full-breath" => {breaths: 2},
      "hiss-ladder" => {top_beats: 8},
      "own-pace" => {minutes: 1.5}
    }
    halves.each do |id, half|
      standing = Windlass::Progression::Standing.of(Windlass::Protocols.find(id), measures(**known))
      again =
        Windlass::Progression::Standing.of(
          standing.protocol,
          measures(**known),
          dose: standing.halved.dose,
          reduced: true
        )

      expect(standing.halved.dose).to include half
      expect([again.rung, again.dose]).to eq [0, standing.halved.dose]
    end
    single = Windlass::Progression::Standing.of(Windlass::Protocols.find("single-hold"), measures(**known))
    expect(Windlass::Progression::NextDose.target(:ease, single)).to be_nil
  end
end
