# frozen_string_literal: true

# What must hold for every body, tried on many that chance makes from a seed, edges of what is allowed among them.
RSpec.describe "Any body" do
  physiology = Windlass::Physiology
  bodies =
    Array.new(24) do |seed|
      random = Random.new(seed)
      edge = seed.even?
      physiology::Body.new(
        sex: %i[female male].sample(random: random),
        age: random.rand(18..80),
        height_cm: edge ? [140, 211].sample(random: random) : random.rand(155..195),
        mass_kg: edge ? [38, 160].sample(random: random) : random.rand(50..100),
        barometric_mmhg: edge ? [634.0, 760.0].sample(random: random) : 760.0
      )
    end

  def holds(body, protocol, dose) =
    Windlass::Physiology::Model.new(body).forecast(protocol.compile(dose, body).segments).holds

  it "starts its single hold without having over-breathed, seated and lying" do
    single = Windlass::Protocols.find("single-hold")
    dose = {in_s: 3, out_s: 6, breathe_up_s: 120, hold_s: 60, holds: 1}
    washouts =
      bodies
        .product(%i[seated lying])
        .map { |body, posture| holds(body.with(posture: posture), single, dose).first.co2_washout }

    expect(washouts.max).to be < physiology::OVER_BREATHED_MMHG
  end

  # The cap by the model itself, round by round, of the plan as it stands: changed rounds and all.
  it "keeps every capped hold under the cap of its round, whatever single rounds were changed to" do
    deep = Windlass::Protocols.find("deep-rounds")
    dose = {breaths: 30, cap_s: nil, recovery_hold_s: 15, rounds: 3, breaks: [{round: 2, hold_s: 80, rest_s: 20}]}
    bodies
      .first(10)
      .each do |body|
        fitted = deep.fitted(dose, body)
        next expect(deep.objection(fitted)).to match(/leaves no hold of 5 s/) if fitted[:cap_s] < 5

        segments = deep.compile(fitted, body).segments
        capped = segments.each_index.select { |index| segments[index].until == :cap }
        expect(capped.size).to eq 3
        expect(
          capped.map { |index| segments[index].seconds <= physiology::Cap.seconds(body, segments.take(index)) }
        ).to all(be true)
      end
    expect(deep.fitted(dose.merge(cap_s: 60), nil)[:cap_s]).to eq 10
  end

  it "ends a suspension at its own pace before the oxygen floor, were each of them as long" do
    own_pace = Windlass::Protocols.find("own-pace")
    longest =
      bodies
        .first(8)
        .to_h do |body|
          bounded = own_pace.bounded(own_pace.compile({minutes: 3}, body), {minutes: 3}, body)
          [body, bounded.holds.first.segment.at_most_ms / 1000]
        end
    longest
      .select { |_, seconds| seconds > 2 }
      .each do |body, seconds|
        line =
          Windlass::Timeline::Compiler.compile do |pen|
            10.times do
              pen.inhale(3, to: :easy) && pen.hold(seconds) && pen.exhale(4, to: :passive) && pen.hold(seconds)
            end
          end
        asked =
          physiology::Model.new(body).forecast(
            Windlass::Timeline::Depths.fitted(line, body) { 1 }.segments.first(4 * (180 / (7 + 2 * seconds)))
          )
        expect(asked.holds.map(&:sao2_min)).to all(be >= physiology::PLANNING_FLOOR)
      end
    expect(longest.values.uniq.size).to be > 3
  end

  it "stays a number where physiology has long ended, and says from when on" do
    bodies
      .first(6)
      .each do |body|
        hold = last_hold(model(body)) { |line| line.within(mets: 20) { line.breathe(30) && line.hold(900) } }

        expect([hold.po2_end, hold.pco2_end, hold.sao2_min]).to all(be_a(Float).and(be >= 0))
        expect([hold.beyond_s, hold.to_h_plain.key?(:beyond_s)]).to match [be_between(5, 900), true]
      end
    expect(last_hold { |line| line.hold(20) }.to_h_plain).not_to have_key(:beyond_s)
  end
end
