# frozen_string_literal: true

# The core of Windlass: the trade's rules and the gas model. It needs neither web nor database.

require "date"
require "did_you_mean"
require "set"
require "yaml"
require "zeitwerk"
require "zlib"

# A file is loaded when its constant is first named.
module Windlass
  LOADER = Zeitwerk::Loader.for_gem
  # A folder that sorts files for readers, and is no part of their names.
  LOADER.collapse(
    "#{__dir__}/windlass/protocols/parts",
    "#{__dir__}/windlass/measures/kinds",
    "#{__dir__}/windlass/progression/readiness/rules"
  )
  # They need gems: nothing of the trade asks for them.
  LOADER.do_not_eager_load("#{__dir__}/windlass/formats", "#{__dir__}/windlass/cli", "#{__dir__}/windlass/cli.rb")
  LOADER.ignore("#{__dir__}/windlass/errors.rb")
  LOADER.setup
end

require_relative "windlass/errors"
