# frozen_string_literal: true

# progression.md 5. Common practice, cautiously set; no source.
RSpec.describe Windlass::Screening do
  monday = Builders::MONDAY

  def screen(*conditions, age: 35, **changes)
    Windlass::Screening::Screen.new(answered_on: Builders::MONDAY, conditions: conditions, age: age, **changes)
  end

  def states(of, on: Builders::MONDAY)
    Windlass::Screening::MATRIX.columns.keys.to_h { |column| [column, of.finding(column, on: on).state] }
  end

  it "asks fifteen questions of ten columns, and leaves all open to whom none applies" do
    expect([described_class::MATRIX.conditions.size, described_class::MATRIX.columns.size]).to eq [15, 10]
    expect(states(screen).values.uniq).to eq [:open]
  end

  it "reads rows as the table has them" do
    expect(states(screen(:heart)).values).to eq %i[clearance clearance care] + [:blocked] * 7
    expect(states(screen(:asthma)).values).to eq %i[care open open care open care care clearance clearance care]
    expect(states(screen(:ear_sinus)).select { |_, state| state != :open }).to eq({breath: :care, water: :clearance})
    expect(states(screen(:pregnancy))).to include(small: :care, voice: :open, over: :blocked)
  end

  it "lets the strictest win, and says all reasons, strictest first" do
    finding = screen(:asthma, :pressure_high, :panic).finding(:small, on: monday)

    expect([finding.state, finding.allows?]).to eq [:blocked, false]
    expect(finding.reasons).to eq [
      "High blood pressure that is not controlled: blocked.",
      "Asthma, well controlled: care.",
      "Panic disorder: care."
    ]
  end

  it "is never made milder by one more condition" do
    order = described_class::STATES
    ids = described_class::MATRIX.conditions.map(&:id)
    ids
      .combination(2)
      .each do |one, other|
        both, alone = states(screen(one, other)), states(screen(one))
        expect(both.map { |column, state| order.index(state) <=> order.index(alone[column]) }).to all(be >= 0)
      end
  end

  it "is lifted by a clearance that covers the column, from its day to its last; never where it is blocked" do
    word = described_class::Clearance.new(columns: %i[small tables], given_on: monday, expires_on: monday + 90)
    days =
      [-1, 0, 90, 91].map do |day|
        screen(:epilepsy, clearances: [word], answered_on: monday - 1).finding(:small, on: monday + day).state
      end

    expect(days).to eq %i[clearance care care clearance]
    expect(screen(:epilepsy, clearances: [word]).finding(:tables, on: monday).state).to eq :blocked
    expect(screen(:epilepsy, clearances: [word]).finding(:retention, on: monday).state).to eq :clearance
  end

  it "is asked anew after twelve months, and blocks what was never asked" do
    expect([monday >> 12, (monday >> 12) - 1].map { |day| screen.finding(:small, on: day).state }).to eq %i[
      blocked
      open
    ]
    expect(screen(answered_on: nil).finding(:small, on: monday).reasons).to eq ["Not screened yet."]
    expect(screen(:pressure_high, answered_on: nil).finding(nil, on: monday).state).to eq :open
  end

  it "opens more with age, and nothing to a minor without a guardian's consent" do
    open = ->(age) { states(screen(age: age, guardian_consent_on: monday)).select { |_, state| state == :open }.keys }

    expect([11, 12, 15, 16, 17].map(&open)).to eq [
      %i[voice],
      %i[small voice breath],
      %i[small voice breath],
      %i[small voice breath tables],
      %i[small voice breath tables]
    ]
    expect(open[18].size).to eq 10
    expect(screen(age: 17).finding(:small, on: monday).to_h).to include(
      state: :clearance,
      reasons: ["A guardian's consent is missing."]
    )
  end

  it "refuses a table that does not fit itself" do
    table = {
      "columns" => {
        "small" => "x",
        "voice" => "y"
      },
      "conditions" => {
        "heart" => {
          "question" => "?",
          "states" => %w[care]
        }
      }
    }

    expect { described_class::Matrix.new(table) }.to raise_error Windlass::InvalidInput, /heart: 1 states for 2 columns/
    table["conditions"]["heart"]["states"] = %w[care maybe]
    expect { described_class::Matrix.new(table) }.to raise_error Windlass::InvalidInput,
      /maybe is no state; allowed: open, care/
  end
end
