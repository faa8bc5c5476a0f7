# frozen_string_literal: true

require "open3"

# Dives as UDDF, read back by ours and by Python's own XML reader.
RSpec.describe Windlass::Formats::Uddf do
  dives =
    [[0, 65, 12.5], [300, 70.5, nil]].map do |at, seconds, depth_m|
      Windlass::Water::Dive.new(down: Time.utc(2026, 3, 2, 10) + at, seconds: seconds, depth_m: depth_m)
    end

  it "comes back as it went, and another reader finds moments, depths, durations and intervals" do
    text = described_class.write("Ines <b>&Aldaya", dives)
    reader =
      "import sys, xml.etree.ElementTree as " \
      "e\nn='{http://www.streit.cc/uddf/3.2/}'\nt=e.fromstring(sys.stdin.buffer.read())\n" \
        "print(t.get('version'), [d.findtext('.//'+n+'datetime') for d in t.iter(n+'dive')], " \
        "[d.findtext('.//'+n+'diveduration') for d in t.iter(n+'dive')], [d.findtext('.//'+n+'passedtime') for d in " \
        "t.iter(n+'dive')], t.findtext('.//'+n+'lastname'))"

    expect(described_class.read(text).map { |dive| [dive.down, dive.seconds, dive.depth_m] }).to eq(
      dives.map { |dive| [dive.down, dive.seconds, dive.depth_m] }
    )
    expect(
      Open3.capture2("/usr/bin/python3", "-c", reader, stdin_data: text).first
    ).to eq "3.2.2 ['2026-03-02T10:00:00Z', '2026-03-02T10:05:00Z'] ['65', '70.5'] [None, '235.0'] <b>&Aldaya\n"
  end

  it "refuses entities, half a file, what is none, and names the line of a dive that is wrong" do
    faults =
      [
        '<!DOCTYPE x [<!ENTITY a "b">]><uddf/>',
        "<uddf><dive>",
        "<html/>",
        "",
        "<uddf>\n<dive><informationbeforedive><datetime>soon</datetime></informationbeforedive></dive></uddf>"
      ].map do |text|
        described_class.read(text) && nil
      rescue
        $!.faults
      end # rubocop:disable Style/RescueModifier

    expect(faults).to match [
      ["file: has a document type or entities of its own; allowed: none"],
      [/\Aline 1: is not XML/],
      ["file: is no UDDF; allowed: a uddf element"],
      [/is not XML|is no UDDF/],
      [
        "line 2: datetime is missing, or no moment",
        "line 2: diveduration nil is not allowed; allowed: 1 to 1200 s"
      ]
    ]
  end
end
