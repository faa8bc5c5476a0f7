# frozen_string_literal: true

module Windlass
  # What the rules of the judge, of readiness and of the programme have in common: a name, a condition in words, and a
  # check.
  class Rule
    # effect: what it does, in words; nil where its verdict says it.
    attr_reader :id, :fires_when, :effect

    # @param id [String] stable name
    # @param fires_when [String] the condition in words
    # @param effect [String, nil]
    # @yieldparam subject what it looks at
    # @yieldreturn [Object, nil] what it found, or nothing where it does not fire
    def initialize(id, fires_when, effect = nil, &check)
      @id = id
      @fires_when = fires_when
      @effect = effect
      @check = check
      freeze
    end

    # @return [Object, nil] what it found
    def fires(subject) = @check.call(subject)
  end
end
