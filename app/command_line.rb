# frozen_string_literal: true

require_relative "../lib/windlass/cli"

module Windlass
  # The commands that need the house. Each of them loads the application when it is called.
  module CommandLine
    require_relative "command_line/house"

    # A command is a file in this folder.
    COMMANDS = Cli.commands_in(File.join(__dir__, "command_line"), self)
  end
end
