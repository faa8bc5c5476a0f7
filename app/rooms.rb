# frozen_string_literal: true

require "bootsnap"
# A start takes a quarter less time where what Ruby compiled before lies ready. Where that folder can not be written
# to, it is done without.
Bootsnap.setup(cache_dir: File.expand_path("../tmp/cache", __dir__), development_mode: false, compile_cache_yaml: false)

require "json"
require "securerandom"
require_relative "../lib/windlass"

# The application: its rooms, one a subject. A file is loaded when its constant is first named. The folder says the
# room, the constant says the kind: `app/water/actions/log_dive.rb` is `Actions::LogDive`, wherever it moves.
module Windlass
  ROOMS = Zeitwerk::Loader.new
  ROOMS.tag = "rooms"
  ROOMS.push_dir(__dir__, namespace: Windlass)
  ROOMS.ignore(__FILE__, "#{__dir__}/*/{views,scripts,styles,public,theme}")
  # These two are named by their folder: every room uses records, and none of them is a page's.
  ROOMS.collapse(Dir["#{__dir__}/*/"].map { |room|
    room.chomp("/")
  } - ["#{__dir__}/records", "#{__dir__}/command_line"])
  ROOMS.collapse("#{__dir__}/house/imports/kinds", "#{__dir__}/people/policies/rights")
  ROOMS.setup
end
