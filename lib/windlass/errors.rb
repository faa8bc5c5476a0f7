# frozen_string_literal: true

module Windlass
  # The family of errors that a person can mend. Each message is one sentence that says what came and what is allowed.
  class Error < StandardError
  end

  # A value that the trade or the model does not allow.
  class InvalidValue < Error
    # @param name [String] what the value is called
    # @param value [Object] what came
    # @param allowed [String] what would be right
    def initialize(name, value, allowed)
      super("#{name}: #{value.inspect} is not allowed; allowed: #{allowed}")
    end
  end

  # A name that stands in none of the lists (protocol, lung level, rule).
  class Unknown < Error
    def initialize(what, value, known)
      super("#{what}: #{value.inspect} does not exist; known: #{known.join(", ")}")
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
