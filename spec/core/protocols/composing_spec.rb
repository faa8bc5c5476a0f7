# frozen_string_literal: true

RSpec.describe Windlass::Protocols::Findings do
  known = Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 120)

  define_method(:findings) do |id, **changes|
    protocol = Windlass::Protocols.find(id)
    dose = protocol.start(known).merge(changes)
    forecast =
      Windlass::Physiology::Model.new(body(posture: protocol.posture), control_pause_s: 25).forecast(
        protocol.compile(dose).segments
      )
    described_class
      .of(Windlass::Protocols::Composition.new(protocol: protocol, dose: dose, forecast: forecast, measures: known))
      .to_h { |finding| [[finding.key, finding.level], finding.text] }
  end

  # gas-model.md 7: on full lungs the floor comes after 141 s, so 140 s are within it and 150 s are not.
  it "says which holds pass the oxygen floor, beside the hold, and what share of the best they are" do
    expect(findings("co2-table", hold_s: 150, rounds: 2)[%i[hold_s danger]]).to match(
      /\AHolds 1 and 2 past the oxygen floor, reached after 14\d( to 14\d)? s\.\z/
    )
    expect([41, 50].map { |hold_s| findings("co2-table", hold_s: hold_s)[%i[hold_s note]] }).to eq [
      "34 % of the maximal hold.",
      "42 % of the maximal hold."
    ]
    expect(
      findings("co2-table", hold_s: 100)[%i[hold_s care]]
    ).to eq "83 % of the maximal hold, more than a table asks for."
  end

  it "says what over-breathing does beside the breathing that does it: washed out, inverted" do
    found = findings("deep-rounds", breaths: 30, rounds: 1, cap_s: 40)

    expect(found[%i[breaths care]]).to match(/\AOver-breathed strongly: \d\d(\.\d)? mmHg/)
    expect(found[%i[breaths danger]]).to include "margin inverted"
  end

  it "gives twice the hold of recovery whatever is typed, and says so" do
    found = findings("single-hold", holds: 2, breaks: [{round: 2, rest_s: 60}])

    expect(found[%i[rest_s care]]).to start_with "1:00 of recovery is raised to 2:20: at least twice the hold before it"
    expect(findings("single-hold", holds: 2, rest_s: 60)).to have_key(%i[rest_s care])
    expect(findings("single-hold", holds: 2)).not_to have_key(%i[rest_s care])
  end

  describe Windlass::Formats::OwnProtocol do
    example = <<~YAML
      format: windlass own protocol 1
      name: Tuesday table
      protocol: co2-table
      dose:
        hold_s: 60
        first_rest_s: 120
        rest_step_s: 15
        rest_floor_s: 30
        rounds: 6
      breaks:
        - round: 3
          hold_s: 45
    YAML

    define_method(:faults) do |text|
      described_class::Reader.read(text) && nil
    rescue Windlass::InvalidInput
      $!.faults
    end

    it "reads back what it wrote, for every family and with breaks" do
      Windlass::Protocols::ALL.each do |protocol|
        given =
          described_class::Given.new(
            name: "Mine: #{protocol.id}",
            protocol: protocol,
            note: "a # b",
            dose: protocol.start(known).merge(breaks: [{round: 1, rest_s: 20}].freeze).compact.freeze
          )
        expect(described_class::Reader.read(described_class::Writer.write(given))).to eq given
      end
      expect(described_class::Reader.read(example).dose).to include(hold_s: 60, breaks: [{round: 3, hold_s: 45}])
    end

    refused = {
      ["hold_s: 60", "hold_s: 900"] => "line 5: dose.hold_s: 900 is not allowed; allowed: 5 to 300 s",
      ["  rounds: 6\n", ""] => "line 4: dose.rounds: is missing",
      %w[co2-table co3-table] => /\Aline 3: protocol: "co3-table" does not exist; known: small-holds/,
      ["round: 3", "round: none"] =>
        'line 11: breaks[0].round: "none" is not allowed; allowed: a whole number, 1 to 1000',
      %w[name: nome:] => ["line 2: nome: is not known here", "line 1: name: is missing"],
      ["dose:", "dose: ["] => /\Aline \d+: is not YAML/,
      ["Tuesday table", "!ruby/object:Object {}"] => /\Aline 1: Tried to load unspecified class/
    }

    refused.each do |(right, wrong), fault|
      it "refuses #{wrong.strip.inspect} for #{right.strip.inspect}, with the line and the reason" do
        expect(faults(example.sub(right, wrong))).to match_array Array(fault)
      end
    end

    it "refuses what is no protocol at all" do
      expect(["", "- 1", "hold"].map { |text| faults(text).first }).to all(
        start_with("line 1: ").and(end_with("allowed: a protocol"))
      )
    end
  end
end
