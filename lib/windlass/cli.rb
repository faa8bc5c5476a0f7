# frozen_string_literal: true

module Windlass
  # The command line: JSON in, JSON out, the same core as the web application.
  module Cli
    # The call itself is wrong, not what it was given.
    class Usage < Error
    end

    # A command is a file in this folder, and nothing else. By name.
    COMMANDS = Listed.in("cli", Module).sort_by { |command| command::NAME }.freeze
    DONE = 0
    WRONG_INPUT = 1
    WRONG_CALL = 2
    # What was asked was right, and there was no room for the answer.
    NOT_WRITTEN = 3
    # Characters of a fault; more says no more.
    LONGEST_FAULT = 500

    # @param arguments [Array<String>]
    # @param commands [Array<Module>] that there are
    # @return [Integer] exit status
    def self.run(arguments, stdin:, stdout:, stderr:, commands: COMMANDS)
      command, file, options = parse(arguments, commands)
      raise Usage, "#{command::NAME} reads no file" if file && !command::READS

      answer(command, file, options, stdin, stdout)
      stdout.flush
      DONE
    rescue InvalidInput => error
      stderr.puts(clipped(error.faults))
      WRONG_INPUT
    rescue Usage => error
      stderr.puts(error.message, usage(commands))
      WRONG_CALL
    rescue Errno::ENOSPC, Errno::EPIPE, Errno::EIO => error
      stderr.puts("The answer could not be written: #{error.message.sub(/ @.*/, "")}.")
      NOT_WRITTEN
    rescue SystemCallError => error
      stderr.puts(error.message, usage(commands))
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

    def self.usage(commands)
      lines = commands.map { |command| "bin/windlass #{command::USAGE}#{" [--lines]" if command::READS}" }
      "usage: #{lines.join("\n       ")}"
    end

    def self.text(command, file, stdin)
      return "" unless command::READS

      file ? File.binread(file) : stdin.read
    end

    def self.parse(arguments, commands)
      name, *rest = arguments
      command = commands.find { |one| name == one::NAME } or raise Usage, "#{Error.shown(name)} is no command"
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
    private_class_method :answer, :parse, :option, :text, :usage, :answer_lines, :clipped
  end
end
