# frozen_string_literal: true

module Windlass
  # Finds by words that people write in many ways: *press-ups*, *press up*; *kumbhaka*, *kumbaka*. What is the same by
  # ear is the same here.
  module SearchWords
    # As they are heard: a breath behind a consonant, a doubled letter, w for v, ee for i.
    ALIKE = [[/([bcdgkpt])h/, '\1'], [/sh/, "s"], [/w/, "v"], [/ee|y/, "i"], [/oo/, "u"], [/(.)\1+/, '\1']].freeze

    # @param search [String] as it was typed; empty finds all
    # @param texts [Array<String, nil>] what it may stand in
    # @return [Boolean] each of its words begins one of theirs, or two of them written as one
    def self.found?(search, *texts)
      own = texts.compact.flat_map { |text| words(text) }
      there = own + own.each_cons(2).map(&:join)
      words(search).all? { |wanted| there.any? { |one| one.start_with?(wanted) } }
    end

    # @return [Array<String>] without their plurals
    def self.words(text) =
      text
        .unicode_normalize(:nfkd).downcase.gsub(/\p{M}/, "").scan(/[a-z0-9]+/)
        .map { |word| heard((word.length > 2) ? word.delete_suffix("s") : word) }

    def self.heard(word) = ALIKE.reduce(word) { |text, (from, to)| text.gsub(from, to) }
    private_class_method :words, :heard
  end
end
