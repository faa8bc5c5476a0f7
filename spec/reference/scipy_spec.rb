# frozen_string_literal: true

require "open3"

# The integrator against SciPy's solve_ivp (LSODA, rtol 1e-8) on the same equations, written apart in
# gas_model_scipy.py. Pressures to 0.2 mmHg, as the model's own step promises; times to 0.5 s.
RSpec.describe "The integrator against SciPy" do
  def solved(athlete, segments, threshold)
    input = JSON.generate(athlete: athlete, segments: segments.map(&:to_h_plain), threshold: threshold)
    output, status = Open3.capture2("/usr/bin/python3", File.join(__dir__, "gas_model_scipy.py"), stdin_data: input)
    raise "SciPy failed" unless status.success?

    JSON.parse(output, symbolize_names: true).fetch(:holds)
  end

  cases = {
    "full holds with quiet rests, seated" => [
      {},
      lambda do |line|
        2.times do
          line.breathe(90, rate: 10)
          line.inhale(4, to: :full)
          line.hold(75)
          line.exhale(6, to: :residual)
        end
      end
    ],
    "effort, a short empty hold and over-breathing, lying, at altitude, a small woman" => [
      {sex: "female", age: 58, height_cm: 158, mass_kg: 54, posture: "lying", barometric_mmhg: 660, thrift: 0.8},
      lambda do |line|
        line.breathe(60, rate: 20, mets: 5)
        line.hold(15)
        line.breathe(120, rate: 14)
        15.times do
          line.inhale(1.6, to: :big)
          line.exhale(1.6, to: :passive)
        end
        line.hold(40)
      end
    ]
  }

  cases.each do |name, (changes, pen)|
    it "agrees on #{name}" do
      athlete = {sex: "male", age: 30, height_cm: 178, mass_kg: 75}.merge(changes)
      segments = timeline(&pen).segments
      forecast = model(Windlass::Physiology::Body.new(**athlete)).forecast(segments)
      expected = solved(athlete, segments, forecast.threshold)

      expect(forecast.holds.size).to eq 2
      forecast
        .holds
        .zip(expected)
        .each do |hold, reference|
          %i[po2_start pco2_start po2_end pco2_end].each do |key|
            expect([key, hold.to_h[key]]).to match [key, be_within(0.2).of(reference[key])]
          end
          %i[urge_s floor_s].each do |key|
            expect([key, hold.to_h[key]]).to match [key, be_within(0.5).of(reference[key])]
          end
        end
    end
  end
end
