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
require_relative "cli/cues"
require_relative "cli/ladder"
require_relative "cli/judge"
require_relative "cli/ready"
require_relative "cli/protocols"
require_relative "cli/stagger"
require_relative "cli/hiss"
require_relative "cli/programme"
require_relative "cli/log_line"
require_relative "cli/surface"
require_relative "cli/house"
require_relative "cli/export"
require_relative "cli/import"

module Windlass
  module Cli
    # A command is a file in this folder and a line here.
    COMMANDS = [
      Simulate, Plan, Cues, Ladder, Judge, Ready, Protocols, Stagger, Hiss, Programme, LogLine, Surface, Export, Import
    ].freeze
    DONE = 0
    WRONG_INPUT = 1
    WRONG_CALL = 2
    # What was asked was right, and there was no room for the answer.
    NOT_WRITTEN = 3
    # Characters of a fault; more says no more.
    LONGEST_FAULT = 500

    # @param arguments [Array<String>]
    # @return [Integer] exit status
    def self.run(arguments, stdin:, stdout:, stderr:)
      command, file, options = parse(arguments)
      raise Usage, "#{command::NAME} reads no file" if file && !command::READS

      answer(command, file, options, stdin, stdout)
      stdout.flush
      DONE
    rescue InvalidInput => error
      stderr.puts(clipped(error.faults))
      WRONG_INPUT
    rescue Usage => error
      stderr.puts(error.message, usage)
      WRONG_CALL
    rescue Errno::ENOSPC, Errno::EPIPE, Errno::EIO => error
      stderr.puts("The answer could not be written: #{error.message.sub(/ @.*/, "")}.")
      NOT_WRITTEN
    rescue SystemCallError => error
      stderr.puts(error.message, usage)
      WRONG_CALL
    end

    # Some write by themselves: what they have to say is too long for one answer.
    def self.answer(command, file, options, stdin, stdout)
      return command.write(options, stdout) if command.respond_to?(:write)

      text = Formats::Text.of(text(command, file, stdin))
      if options.delete("lines")
        answer_lines(command, text, options, stdout)
      else
        stdout.puts(JSON.generate(command.call(text, options)))
      end
    end

    # One question a line, one answer a line: many can be asked of one process. A refused one does not end it.
    def self.answer_lines(command, text, options, stdout)
      text
        .each_line(chomp: true)
        .reject { |line| line.strip.empty? }
        .each do |line|
          stdout.puts(JSON.generate(command.call(line, options)))
        rescue InvalidInput => error
          stdout.puts(JSON.generate({error: clipped(error.faults)}))
        end
    end

    def self.clipped(faults) =
      faults.map { |fault| (fault.length > LONGEST_FAULT) ? "#{fault[0, LONGEST_FAULT]}…" : fault }

    def self.usage
      lines = COMMANDS.map { |command| "bin/windlass #{command::USAGE}#{" [--lines]" if command::READS}" }
      "usage: #{lines.join("\n       ")}"
    end

    def self.text(command, file, stdin)
      return "" unless command::READS

      file ? File.binread(file) : stdin.read
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
      return options["lines"] = true if name == "lines" && value.nil? && command::READS

      raise Usage, "#{argument} is no option of #{command::NAME}" unless command::OPTIONS.include?(name)

      options[name] = value || rest.shift || ""
    end
    private_class_method :answer, :parse, :option, :text, :answer_lines, :clipped
  end
end
