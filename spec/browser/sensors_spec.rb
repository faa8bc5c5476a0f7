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

  describe "on the deck" do
    # A browser with Bluetooth and one device of each kind: it sends what a spec says, and can go out of reach.
    devices = <<~JS
      window.sent = {};
      const device = (service) => {
        const one = new EventTarget();
        Object.assign(one, {
          name: "Pulse", gatt: one, connected: 0, gone: false,
          connect: async () => { if (one.gone) throw new Error("out of reach"); one.connected += 1; return one; },
          disconnect: () => {}, getPrimaryService: async (asked) => { one.asked = asked; return one; },
          getCharacteristic: async (asked) => { one.characteristic = asked; return one; },
          startNotifications: async () => {},
          send: (hex) => {
            one.value = new DataView(Uint8Array.from(hex.split(" "), (byte) => parseInt(byte, 16)).buffer);
            one.dispatchEvent(new Event("characteristicvaluechanged"));
          },
          lose: () => { one.gone = true; one.dispatchEvent(new Event("gattserverdisconnected")); },
        });
        return (window.sent[service] = one);
      };
      Object.defineProperty(navigator, "bluetooth", {value: {
        requestDevice: async ({filters}) => {
          if (window.noneChosen) throw Object.assign(new Error("cancelled"), {name: "NotFoundError"});
          return device(filters[0].services[0]);
        },
      }});
    JS
    finger, chest = 0x1822, 0x180d

    let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
    let(:session) { Windlass::Records::Session.last }

    def hex(*bytes) = bytes.map { |byte| format("%02x", byte) }.join(" ")

    def saturation(percent) = hex(4, percent, 0, 60, 0, 0x80, 0)

    def send_bytes(service, bytes) = page.execute_script("sent[#{service}].send('#{bytes}')")

    def join(name)
      click_button("Sensors") unless page.has_css?("#sensors[open]", wait: 0)
      click_button(name)
    end

    def marks(kind) = session.journal_events.reload.where(kind: kind).order(:at_ms).pluck(:at_ms, :value)

    def put_on(prescription)
      give_clock
      page.driver.browser.page.command("Page.addScriptToEvaluateOnNewDocument", source: devices_script)
      visit("/prescriptions/#{prescription.id}")
      click_button("All well: start")
      expect(page).to have_text("Saved")
    end

    define_method(:devices_script) { devices }

    it "shows and keeps what is good, shows what is doubtful, and says when a sensor is silent or lost" do
      put_on(prescribe(athlete))
      join("Finger oximeter")
      expect(page).to have_css(".reading", text: "Oximeter: no reading yet", visible: :all)
      expect(page.evaluate_script("[sent[#{finger}].asked, sent[#{finger}].characteristic]")).to eq [0x1822, 0x2a5f]
      send_bytes(finger, saturation(98))
      join("Heart belt")
      send_bytes(chest, hex(0x16, 65, 0xc0, 3))
      click_button("Done")
      expect(page).to have_css(".reading", text: "98 % · 65 a minute")

      start_deck
      pass(1)
      send_bytes(finger, saturation(97))
      pass(1)
      send_bytes(finger, hex(4, 80, 0, 60, 0, 0, 0x40))
      expect(page).to have_css(".reading", text: "80 % (doubtful)")
      pass(1)
      send_bytes(finger, hex(8, 95, 0, 60, 0, 0, 8, 0))
      send_bytes(chest, hex(0x16, 65, 0xc0, 3))
      expect(page).to have_css(".reading", text: "Oximeter: not on the finger · 65 a minute")
      pass(6)
      expect(page).to have_css(".reading", text: /Oximeter silent for \d s · Belt silent for \d s/)

      page.execute_script("sent[#{finger}].lose()")
      expect(page).to have_css(".reading", text: "Oximeter lost: looking for it")
      page.execute_script("sent[#{finger}].gone = false")
      expect(page).to have_no_css(".reading", text: "lost", wait: 30)
      send_bytes(finger, saturation(96))
      expect(page).to have_css(".reading", text: "96 %")
      key(:space, "p")
      expect(page).to have_text("Saved")
      expect(marks("oximeter")).to eq [[1000, "97"], [9000, "96"]]
    end

    it "ends the holds at two low readings in a row, says so, and never at one" do
      put_on(prescribe(athlete))
      join("Finger oximeter")
      click_button("Done")
      start_deck
      [74, 76, 74].each { |percent| pass(1).then { send_bytes(finger, saturation(percent)) } }
      expect(page).not_to have_css(".cue", text: "Quiet breathing", wait: 1)
      pass(1)
      send_bytes(finger, saturation(73))

      expect(page).to have_css(".cue", text: "Quiet breathing")
      expect(page).to have_css("[role=alert]", text: "73 % at the finger, under 75 %: no hold follows.")
      expect(page).to have_text("Saved")
      expect(marks("quiet").size).to eq 1
    end

    it "lets a belt lead the count, faster than the dose at will, slower never" do
      ratio = Windlass::Protocols.find("ratio")
      put_on(Windlass::Actions::Prescribe.call(athlete, ratio, now: Windlass::Web.settings.clock.now))
      join("Heart belt")
      click_button("Done")
      start_deck
      key("b")
      8.times { send_bytes(chest, hex(0x16, 46, 0x38, 5)) }
      expect(page).to have_button("60 a minute")
      8.times { send_bytes(chest, hex(0x16, 80, 0, 3)) }
      expect(page).to have_button("80 a minute")
      pass(33)
      key("p")
      expect(page).to have_text("Saved")
      expect(marks("beat").map(&:last)).to eq ["80"]
    end

    it "joins none where none was chosen, and plays a simulated pair in the demo alone" do
      put_on(prescribe(athlete))
      page.execute_script("window.noneChosen = true")
      join("Finger oximeter")
      expect(page).to have_css("#sensors p", text: "No reading makes anything longer")
      expect(page).to have_button("Finger oximeter", exact: true)
      expect(page).to have_no_button("Simulated pair")
      expect(page.evaluate_script("document.querySelector('[data-sensor=oximeter]').ariaPressed")).to eq "false"
    end
  end
end
