# frozen_string_literal: true

module Windlass
  # What the rules of the judge, of readiness and of the programme have in common: a name, a condition in words, and a
  # check.
  class Rule
    # Where a rule stands that does not say it: after those of its strength that do.
    LAST = 1000

    # effect: what it does, in words; nil where its verdict says it. place: where it stands among those as strong.
    attr_reader :id, :fires_when, :effect, :place

    # @param id [String] stable name
    # @param fires_when [String] the condition in words
    # @param effect [String, nil]
    # @param place [Integer] where it stands among those as strong; the smallest is the first
    # @yieldparam subject what it looks at
    # @yieldreturn [Object, nil] what it found, or nothing where it does not fire
    def initialize(id, fires_when, effect = nil, place: LAST, &check)
      @id = id
      @place = place
      @fires_when = fires_when
      @effect = effect
      @check = check
      freeze
    end

    # @return [Object, nil] what it found
    def fires(subject) = @check.call(subject)
  end
end
