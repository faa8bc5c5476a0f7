# frozen_string_literal: true

require "open3"
require "rbconfig"

RSpec.describe "The core" do
  it "loads in a bare Ruby, all of it but what is read and written, without web or database" do
    program =
      'require "windlass"; Windlass::LOADER.eager_load; abort "too much" if ' \
        "%w[Sinatra Rack ActiveRecord Bundler].any? { |name| " \
        "Object.const_defined?(name) }; print Windlass::Protocols::ALL.size"
    bare = {"RUBYOPT" => nil, "RUBYLIB" => nil, "BUNDLE_GEMFILE" => nil}
    output, status =
      Open3.capture2e(
        bare,
        RbConfig.ruby,
        "--disable-gems",
        "-I",
        File.expand_path("../../lib", __dir__),
        "-I",
        Gem.loaded_specs.fetch("zeitwerk").full_require_paths.first,
        "-e",
        program
      )

    expect([status.exitstatus, output]).to eq [0, Windlass::Protocols::ALL.size.to_s]
  end

  it "gives frozen values that refuse what is missing or unknown" do
    point = Windlass::Value.define(:x, :y)

    expect(point.new(x: 1, y: 2).with(y: 3).to_h).to eq({x: 1, y: 3})
    expect(point.new(x: 1, y: 2)).to be_frozen.and(satisfy { |value| !value.respond_to?(:x=) })
    expect { point.new(x: 1) }.to raise_error(ArgumentError, /missing keyword: :y/)
    expect { point.new(x: 1, y: 2, z: 3) }.to raise_error(ArgumentError, /z/)
    # Members may have names that no variable can.
    hold = Windlass::Value.define(:until, :s)
    expect([hold.new(until: :cap, s: 2).until, hold.new(until: 1, s: 2).with(until: 3).to_h]).to eq [
      :cap,
      {until: 3, s: 2}
    ]
    expect { hold.new(s: 2) }.to raise_error(ArgumentError, /missing keyword: :until/)
    expect { hold.new(until: 1, s: 2, z: 3) }.to raise_error(ArgumentError, /z/)
  end

  it "says times, lengths and lists as people do" do
    words = Windlass::Words

    expect([words.clock(65), words.clock(48.4), words.length(680), words.length(300), words.length(9)]).to eq [
      "1:05", "0:48", "11 min 20 s", "5 min", "9 s"
    ]
    expect([words.seconds(5), words.seconds(4.5), words.seconds(24.04)]).to eq ["5 s", "4.5 s", "24 s"]
    expect([words.list([4]), words.list([4, 6]), words.list([4, 6, 7])]).to eq ["4", "4 and 6", "4, 6 and 7"]
  end
end
