# frozen_string_literal: true

require_relative "formats"

module Windlass
  # The command line: JSON in, JSON out, the same core as the web application.
  module Cli
    # The call itself is wrong, not what it was given.
    class Usage < Error
    end
  end
end

require_relative "cli/simulate"
require_relative "cli/plan"
require_relative "cli/ladder"
require_relative "cli/judge"
require_relative "cli/ready"
require_relative "cli/protocols"

module Windlass
  module Cli
    # A command is a file in this folder and a line here.
    COMMANDS = [Simulate, Plan, Ladder, Judge, Ready, Protocols].freeze
    DONE = 0
    WRONG_INPUT = 1
    WRONG_CALL = 2
    # Characters of a fault; more says no more.
    LONGEST_FAULT = 500

    # @param arguments [Array<String>]
    # @return [Integer] exit status
    def self.run(arguments, stdin:, stdout:, stderr:)
      command, file, options = parse(arguments)
      raise Usage, "#{command::NAME} reads no file" if file && !command::READS

      text = text(command, file, stdin)
      stdout.puts(JSON.generate(command.call(text.scrub, options)))
      DONE
    rescue InvalidInput => error
      stderr.puts(error.faults.map { |fault| (fault.length > LONGEST_FAULT) ? "#{fault[0, LONGEST_FAULT]}…" : fault })
      WRONG_INPUT
    rescue Usage, SystemCallError => error
      stderr.puts(error.message, usage)
      WRONG_CALL
    end

    def self.usage = "usage: #{COMMANDS.map { |command| "bin/windlass #{command::USAGE}" }.join("\n       ")}"

    def self.text(command, file, stdin)
      return "" unless command::READS

      file ? File.read(file, encoding: "UTF-8") : stdin.read
    end

    def self.parse(arguments)
      name, *rest = arguments
      command = COMMANDS.find { |one| name == one::NAME } or raise Usage, "#{Error.shown(name)} is no command"
      options = {}
      files = []
      while (argument = rest.shift)
        argument.start_with?("--") ? option(argument, rest, command, options) : files << argument
      end
      raise Usage, "one file at most, not #{files.size}" if files.size > 1

      [command, files.first, options]
    end

    def self.option(argument, rest, command, options)
      name, value = argument.delete_prefix("--").split("=", 2)
      raise Usage, "#{argument} is no option of #{command::NAME}" unless command::OPTIONS.include?(name)

      options[name] = value || rest.shift || ""
    end
    private_class_method :parse, :option, :text
  end
end
