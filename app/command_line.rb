# frozen_string_literal: true

module Windlass
  # The commands that need the house.
  module CommandLine
    # A command is a file in this folder, and nothing else.
    COMMANDS = Listed.in(File.join(__dir__, "command_line"), Module, loader: ROOMS).sort_by { |one| one::NAME }.freeze
  end
end
