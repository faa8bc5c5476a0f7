# frozen_string_literal: true

require "open3"
require "tmpdir"

RSpec.describe "The commands" do
  def run(command, *arguments)
    output, status = Open3.capture2e(File.expand_path("../../#{command}", __dir__), *arguments)
    [status.exitstatus, output]
  end

  it "refuse what they do not understand before they install or change anything" do
    expect(run("bin/demo", "--port", "99999")).to eq [2, "--port: 99999 is not allowed; allowed: 1 to 65535\n"]
    expect(run("bin/demo", "--port", "abc")).to eq [2, "--port: abc is not allowed; allowed: 1 to 65535\n"]
    expect(run("bin/demo", "--rest")).to eq [2, "usage: bin/demo [--reset | --empty] [--port NUMBER]\n"]
  end

  it "are one for CI and for hands" do
    expect(File.read(File.expand_path("../../.ci/run", __dir__))).to include "bin/test"
    expect(Dir[File.expand_path("../../{bin/*,bench/*,.ci/run}", __dir__)]).to all(
      satisfy { |path| File.executable?(path) }
    )
  end

  it "empty no demo that somebody serves meanwhile" do
    Dir.mktmpdir do |folder|
      house = File.join(folder, "demo.sqlite3")
      served = File.open("#{house}.open", File::CREAT | File::RDWR)
      served.flock(File::LOCK_SH)
      there = {"WINDLASS_DB" => house, "DATABASE_URL" => nil}
      root = File.expand_path("../..", __dir__)
      clear = -> { Open3.capture3(there, "bundle", "exec", "rake", "demo:clear", chdir: root) }

      out, error, status = clear.call
      expect([out, error, status.exitstatus]).to eq ["", "#{house}: is in use. Stop Windlass first.\n", 1]
      served.close
      expect(clear.call.first).to eq "Nobody is there.\n"
    end
  end
end
