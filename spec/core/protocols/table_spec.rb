# frozen_string_literal: true

# Every family against the table of progression.md 1 and the handbook's ranges, number by number.
RSpec.describe Windlass::Protocols do
  values = Windlass::Measures::Values.new(control_pause_s: 24, maximal_hold_s: 125, sustained_exhale_beats: 20)

  # start; levers as key, step, limit for those measures; what may be composed as least, most, step.
  table = {
    "small-holds" => [
      {hold_s: 5, minutes: 5, sets: 2},
      [[:sets, 1, 3], [:minutes, 1, 8], [:hold_s, 1, 10]],
      {hold_s: [0.5, 15, 0.5], minutes: [1, 15, 1], sets: [1, 4, 1]}
    ],
    "own-pace" => [{minutes: 3}, [[:minutes, 1, 5], [:suspend_s, 1, 5]], {minutes: [1, 10, 0.5]}],
    "quiet-breathing" => [
      {in_s: 3, out_s: 6, minutes: 5},
      [[:minutes, 1, 15]],
      {in_s: [2, 8, 0.5], out_s: [2, 16, 0.5], minutes: [1, 30, 1]}
    ],
    "full-breath" => [
      {hold_s: 10, breaths: 3},
      [[:breaths, 1, 5], [:hold_s, 1, 15]],
      {hold_s: [5, 30, 1], breaths: [1, 8, 1]}
    ],
    "ratio" => [
      {pattern: [4, 2, 4, 2], count_s: 1, rounds: 6},
      [[:rounds, 1, 12], [:pattern, 1, 6]],
      {pattern: [0, 32, 1], count_s: [0.4, 2, 0.1], rounds: [1, 40, 1]}
    ],
    "ratio-deep" => [
      {pattern: [4, 16, 8, 0], count_s: 0.8, rounds: 5},
      [[:rounds, 1, 9], [:count_s, 0.1, 1.2]],
      {pattern: [0, 32, 1], count_s: [0.4, 2, 0.1], rounds: [1, 40, 1]}
    ],
    "belly-drill" => [
      {in_s: 3, out_s: 5, minutes: 3},
      [[:minutes, 1, 10]],
      {in_s: [2, 8, 0.5], out_s: [2, 16, 0.5], minutes: [1, 15, 1]}
    ],
    "zone-drill" => [
      {in_s: 3, out_s: 5, minutes: 3},
      [[:minutes, 1, 10]],
      {in_s: [2, 8, 0.5], out_s: [2, 16, 0.5], minutes: [1, 15, 1]}
    ],
    "alternate-nostril" => [
      {stage: 0, cycles: 2, rounds: 2, count_s: 1},
      [[:cycles, 1, 3], [:stage, 1, 4], [:rounds, 1, 4]],
      {stage: [0, 8, 1], cycles: [1, 6, 1], rounds: [1, 12, 1], count_s: [0.5, 2, 0.1]}
    ],
    "co2-table" => [
      {hold_s: 60, first_rest_s: 120, rest_step_s: 15, rest_floor_s: 30, rounds: 6},
      [[:first_rest_s, -10, 60], [:hold_s, 5, 75], [:rounds, 1, 8]],
      {
        hold_s: [5, 300, 5], first_rest_s: [15, 300, 5], rest_step_s: [0, 60, 5], rest_floor_s: [15, 120, 5],
        rounds: [1, 12, 1]
      }
    ],
    "counted-recovery" => [
      {hold_s: 50, breaths: 6, rounds: 6},
      [[:breaths, -1, 1], [:hold_s, 5, 60], [:rounds, 1, 8]],
      {hold_s: [5, 300, 5], breaths: [1, 12, 1], rounds: [1, 12, 1]}
    ],
    "o2-table" => [
      {first_hold_s: 50, top_hold_s: 75, rest_s: 120, rounds: 6},
      [[:top_hold_s, 5, 100], [:rounds, 1, 8]],
      {first_hold_s: [5, 300, 5], top_hold_s: [5, 360, 5], rest_s: [30, 300, 5], rounds: [1, 12, 1]}
    ],
    "single-hold" => [
      {in_s: 3, out_s: 6, breathe_up_s: 120, hold_s: 75, holds: 1},
      [[:hold_s, 5, 100], [:holds, 1, 3]],
      {in_s: [1, 8, 0.5], out_s: [2, 16, 0.5], breathe_up_s: [30, 300, 10], hold_s: [5, 420, 5], holds: [1, 3, 1]}
    ],
    "loaded-holds" => [
      {repetitions: 10, hold_s: 10, breaths: 5, rounds: 4},
      [[:hold_s, 5, 20], [:breaths, -1, 3], [:rounds, 1, 8], [:repetitions, 2, 16]],
      {repetitions: [5, 20, 1], hold_s: [5, 60, 5], breaths: [1, 12, 1], rounds: [2, 8, 1]}
    ],
    "walking-holds" => [{steps: 10, rounds: 4}, [], {steps: [10, 40, 2], rounds: [1, 10, 1]}],
    "deep-rounds" => [
      {breaths: 20, cap_s: nil, recovery_hold_s: 15, rounds: 2},
      [[:rounds, 1, 3], [:breaths, 5, 30]],
      {breaths: [10, 40, 5], cap_s: [5, 90, 1], hold_s: [5, 90, 1], recovery_hold_s: [10, 20, 1], rounds: [1, 4, 1]}
    ],
    "bellows" => [
      {gear_s: 15, hold_s: 15, rounds: 2},
      [[:rounds, 1, 3], [:hold_s, 5, 40], [:gear_s, 5, 20]],
      {gear_s: [5, 30, 5], hold_s: [5, 60, 5], rounds: [1, 4, 1]}
    ],
    "hiss-ladder" => [
      {top_beats: 16, tempo: 66},
      [[:top_beats, 4, 40], [:tempo, -3, 60]],
      {top_beats: [8, 40, 4], tempo: [50, 120, 1]}
    ],
    "stacked-exhale" => [
      {longest_hold_s: 6, repeats: 1},
      [[:longest_hold_s, 2, 10], [:repeats, 1, 3]],
      {longest_hold_s: [2, 10, 2], repeats: [1, 4, 1]}
    ]
  }

  # What kind of work it is: column, clean sessions that a step needs, where a first breath is asked; switches that are
  # on.
  kinds = {
    "small-holds" => [:small, 2, :hold],
    "own-pace" => [:retention, 2, :end],
    "quiet-breathing" => [nil, 2, :never],
    "full-breath" => [:breath, 2, :never],
    "belly-drill" => [nil, 2, :never],
    "zone-drill" => [nil, 2, :never],
    "ratio" => [:breath, 2, :round],
    "ratio-deep" => [:retention, 2, :round],
    "alternate-nostril" => [:breath, 2, :cycle],
    "co2-table" => [:tables, 2, :hold, :once_a_day],
    "counted-recovery" => [:tables, 2, :hold, :once_a_day],
    "o2-table" => [:tables, 3, :hold, :once_a_day, :strenuous, :watched],
    "single-hold" => [:tables, 3, :hold, :once_a_day, :strenuous],
    "loaded-holds" => [:loaded, 3, :hold, :once_a_day, :strenuous, :opt_in],
    "walking-holds" => [:tables, 2, :hold],
    "deep-rounds" => [:over, 3, :hold, :over_breathing],
    "bellows" => [:over, 2, :hold, :over_breathing],
    "hiss-ladder" => [:voice, 2, :never],
    "stacked-exhale" => [:voice, 2, :never]
  }
  switches = %i[once_a_day strenuous watched opt_in over_breathing]

  described_class::ALL.each do |family|
    it "starts, climbs and is composed as the table says: #{family.id}" do
      start, levers, ranges = table.fetch(family.id)

      expect(family.start(values)).to eq start
      expect(family.levers.map { |lever| [lever.key, lever.step, lever.limit_for(values)] }).to eq levers
      expect(family.levers.map(&:harder)).to eq(levers.map { |_, step, _| step.positive? ? :up : :down })
      expect(
        family
          .parameters
          .reject(&:folded)
          .select(&:range)
          .to_h { |one| [one.key, [one.range.begin, one.range.end, one.step]] }
      ).to eq ranges
      expect(
        [
          family.column,
          family.clean_sessions,
          family.first_breath,
          *switches.select { |switch| family.public_send(switch) }
        ]
      ).to eq kinds.fetch(family.id)
    end
  end

  it "doses from no control pause outside of 3 to 90 s, in any family that needs one" do
    starts =
      [2.9, 3, 90, 90.1].map do |pause|
        described_class::ALL
          .select { |one| one.needs.key?(:control_pause_s) && one.start(values.with(control_pause_s: pause)) }
          .map(&:id)
      end

    expect(starts).to eq [[], %w[small-holds deep-rounds], %w[small-holds ratio-deep deep-rounds], []]
    expect(
      described_class.find("deep-rounds").lacking(values.with(control_pause_s: 91))
    ).to eq "A control pause of 1:31 doses nothing: measure again. 3 to 90 s can."
  end

  it "falls under over-breathing where breaths come faster than 20 a minute, or a count is half a second" do
    ratio = described_class.find("ratio")
    over = ->(pattern, count_s) { ratio.columns({pattern: pattern, count_s: count_s, rounds: 1}).include?(:over) }

    expect([over[[2, 0, 3, 0], 0.6], over[[2, 0, 2, 0], 0.6], over[[4, 2, 4, 2], 0.5], over[[4, 2, 4, 2], 0.6]]).to eq [
      false,
      true,
      true,
      false
    ]
    expect(described_class.find("alternate-nostril").columns({stage: 0, count_s: 0.5})).to eq %i[breath over]
  end
end
