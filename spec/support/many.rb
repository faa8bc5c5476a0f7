# frozen_string_literal: true

# How many questions a property is asked: a fifth of its number, so that everybody waits less; all of it by
# `bin/test --large`, or with WINDLASS_LARGE=1.
module Many
  LARGE = ENV.key?("WINDLASS_LARGE")

  def self.of(number) = LARGE ? number : (number / 5.0).ceil

  # People of the demo, with a few weeks behind them.
  WEEKS = 4

  def self.short(people) = LARGE ? people : people.map { |one| one.merge("weeks" => WEEKS) }

  # Of a list, other ones with each seed of the specs.
  def self.some(list) = LARGE ? list : list.sample(of(list.size), random: Random.new(RSpec.configuration.seed))
end
