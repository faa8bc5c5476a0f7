# frozen_string_literal: true

require "rbconfig"
require "shellwords"

# Runs what requires it under the Ruby that bin/serve starts: its compiler, its way with memory.
settings =
  File
    .readlines(File.expand_path("../../config/ruby.env", __dir__))
    .reject { |line| line.start_with?("#") }
    .to_h { |line| line.split("=", 2).then { |name, value| [name, Shellwords.split(value).join(" ")] } }
exec(settings, RbConfig.ruby, $PROGRAM_NAME, *ARGV) unless settings.all? { |name, value| ENV[name] == value }
