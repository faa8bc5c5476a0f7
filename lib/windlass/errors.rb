# frozen_string_literal: true

module Windlass
  # The family of errors that a person can mend. Each message is one sentence that says what came and what is allowed.
  class Error < StandardError
    # As much of a wrong value as a sentence can bear.
    SHOWN = 60

    # @return [String]
    def self.shown(value)
      text = value.inspect
      (text.length > SHOWN) ? "#{text[0, SHOWN]}…" : text
    end
  end

  # A value that the trade or the model does not allow.
  class InvalidValue < Error
    # @param name [String] what the value is called
    # @param value [Object] what came
    # @param allowed [String] what would be right
    def initialize(name, value, allowed)
      super("#{name}: #{Error.shown(value)} is not allowed; allowed: #{allowed}")
    end
  end

  # A name that stands in none of the lists (protocol, lung level, rule).
  class Unknown < Error
    def initialize(what, value, known)
      super("#{what}: #{Error.shown(value)} does not exist; known: #{known.join(", ")}")
    end
  end

  # Input from a file or a pipe with one fault or more.
  class InvalidInput < Error
    # @return [Array<String>] one `path: what is wrong` a fault
    attr_reader :faults

    def initialize(faults)
      @faults = faults.freeze
      super(faults.join("\n"))
    end
  end
end
