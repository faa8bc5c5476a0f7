# frozen_string_literal: true

require "browser_helper"

# What the published services say of these bytes was read by Wireshark 4.0 (its dissectors of the pulse oximeter and
# heart rate services), which knows nothing of this project.
RSpec.describe "Sensors that speak the published services", :browser do
  oximeter = {
    "00 61 00 3e 00" => [97, 62], "00 cf f3 6d f2" => [97.5, 62.1], "00 0c 10 06 10" => [120, 60],
    # Fast and slow averages stand between; the data are validated.
    "07 60 f0 3c 00 5c 00 3d 00 5b 00 3e 00 80 00" => [9.6, 60],
    # Early estimated data, low perfusion, and how strong the pulse is.
    "1f cb f3 3a 00 5e 00 3b 00 5d 00 3c 00 40 00 20 00 00 7b f0" => [97.1, 58, nil, "early"],
    # No number; measurement unavailable. No number at all. Sensor unconnected to user.
    "04 ff 07 ff 07 00 20" => [nil, nil, "no reading"], "00 00 08 fe 07" => [nil, nil],
    "08 5f 00 41 00 00 08 00" => [95, 65, "not on the finger"]
  }
  belt = {
    "00 3e" => [62, []], "01 2c 01" => [300, []], "16 41 c0 03 9a 03" => [65, [960, 922]],
    "1f 48 00 d2 04 e6 03 01 04" => [72, [998, 1025]], "10 37 5d 04" => [55, [1117]],
    "04 00" => [0, [], "not on the skin"]
  }

  def read(with, bytes)
    found_by(<<~JS)
      const done = arguments[arguments.length - 1];
      import("#{Windlass::Assets.path("js/sensor_bytes.js")}").then((module) => {
        const bytes = #{JSON.generate(bytes)}.map((hex) => Uint8Array.from(hex.split(" "), (one) => parseInt(one, 16)));
        done(bytes.map((one) => module.#{with}(new DataView(one.buffer))));
      });
    JS
  end

  it "are read byte by byte as Wireshark reads them; what ends too early is no reading" do
    visit("/athletes/new")
    expect(read("readOximeter", oximeter.keys).map { |one| one.values_at("saturation", "pulse", "fault", "doubt") })
      .to eq(oximeter.values.map { |row| row + [nil] * (4 - row.size) })
    expect(read("readBelt", belt.keys).map { |one| one.values_at("pulse", "intervals", "fault") })
      .to eq(belt.values.map { |pulse, beats, fault| [pulse, beats.map { |parts| parts * 1000 / 1024.0 }, fault] })
    cut = oximeter.keys.flat_map { |hex| [2, 5, 8, 11].map { |size| hex[0, size] } }
    expect(read("readOximeter", cut)).to all(include("fault" => "not to be read"))
  end
end
