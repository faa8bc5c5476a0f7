# frozen_string_literal: true

require "web_helper"
require "open3"
require "tmpdir"

# The house by command, each in a process of its own, as a coach would.
RSpec.describe "bin/windlass export and import", :web do
  def windlass(database, *arguments, input: "")
    out, err, status = Open3.capture3({"WINDLASS_DB" => database}, File.expand_path("../../bin/windlass", __dir__), *arguments, stdin_data: input)
    [out, err, status.exitstatus]
  end

  it "carry a house over, refuse what is none with a line and a status, and leave what was there" do
    athlete = make_athlete(name: "Łucja Åberg").tap { |one| make_pause(one) }
    run_set(prescribe(athlete))
    archive = +""
    Windlass::Archive::Writer.new(account, athlete: athlete).write { |part| archive << part }

    Dir.mktmpdir do |folder|
      house = File.join(folder, "house.sqlite3")
      expect(JSON.parse(windlass(house, "export").first).values_at("of", "athletes")).to eq ["place", []]
      expect(windlass(house, "import", input: archive)).to eq ["{\"athletes\":1}\n", "", 0]
      expect(windlass(house, "export", "--athlete", "1").first).to eq archive

      heavy = JSON.parse(archive).tap { |all| all["athletes"][0].merge!("mass_kg" => 900, "name" => "Heavy") }
      expect(windlass(house, "import", input: JSON.generate(heavy))).to match ["", /\Aathletes\[0\]: breaks the rule mass/, 1]
      expect(windlass(house, "import", input: archive)).to match ["", /\A[a-z]+\[0\]: is here already\n\z/, 1]
      expect(windlass(house, "import", input: "{\"windlass\": 2}")).to match ["", /\Aarchive: is no archive of Windlass; allowed: /, 1]
      expect(windlass(house, "export", "--athlete", "77")).to eq ["", "athlete: \"77\" is not here\n", 1]
      expect(JSON.parse(windlass(house, "export").first)["athletes"].map { |one| one["name"] }).to eq ["Łucja Åberg"]
    end
  end
end
