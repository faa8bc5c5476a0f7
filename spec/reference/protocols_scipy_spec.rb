# frozen_string_literal: true

require "open3"

# What every family does to the gases, against SciPy's solve_ivp (LSODA, rtol 1e-8) on the same equations, written apart
# in gas_model_scipy.py: effort, nostrils, bellows and stacked breaths are segments that no bench case has. The whole
# session of the first rung; pressures at both ends of every hold to 0.3 mmHg.
RSpec.describe "The families against SciPy" do
  athlete = {sex: "female", age: 41, height_cm: 167, mass_kg: 62}.freeze

  def solved(athlete, segments)
    input = JSON.generate(athlete: athlete, segments: segments.map(&:to_h_plain), threshold: 50)
    output, status = Open3.capture2("/usr/bin/python3", File.join(__dir__, "gas_model_scipy.py"), stdin_data: input)
    raise "SciPy failed" unless status.success?

    JSON.parse(output, symbolize_names: true).fetch(:holds)
  end

  %w[loaded-holds bellows alternate-nostril stacked-exhale counted-recovery].each do |id|
    it "agrees on #{id}" do
      protocol = Windlass::Protocols.find(id)
      measured = Windlass::Measures::Values.new(control_pause_s: 25, maximal_hold_s: 120)
      dose = Windlass::Progression::Ladder.new(protocol, measured).rungs.last
      segments = protocol.compile(dose).segments.take(200)
      forecast = Windlass::Physiology::Model.new(Windlass::Physiology::Body.new(**athlete)).forecast(segments)
      expected = solved(athlete, segments)

      expect(forecast.holds.size).to be >= 1
      forecast
        .holds
        .zip(expected)
        .each do |hold, reference|
          %i[po2_start pco2_start po2_end pco2_end].each do |key|
            expect([key, hold.to_h[key]]).to match [key, be_within(0.3).of(reference[key])]
          end
        end
    end
  end
end
