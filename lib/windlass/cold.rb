# frozen_string_literal: true

module Windlass
  # F17, cold adaptation: an adjunct, logged and never combined with breath holding. Common practice, no source.
  module Cold
    # One after the other, each when the one before is calm.
    STAGES = [
      "a warm shower ended cold",
      "a shower cold from the start",
      "immersion, to comfort",
      "sitting outside"
    ].freeze
    # So often calm in a row before the next stage.
    CALM_TIMES = 3
    MINUTES = (0.5..60)

    WHY_OUT = {
      "done" => "the time was up", "enough" => "enough for today", "gasp" => "gasping", "pain" => "pain",
      "unease" => "unease", "shiver" => "shivering"
    }.freeze
    # Getting out for one of these was right, and no stage up comes of it.
    NOT_CALM = %w[gasp pain unease shiver].freeze

    # From this stage on somebody is beside; under a shower nobody has to be.
    WATCHED_FROM = 2

    # @return [String, nil] why a stage came too early
    def self.early_words(stage, open) =
      ("Stage #{stage + 1} opens once stage #{open + 1} was calm #{CALM_TIMES} times in a row." if stage > open)

    # @return [String, nil] that nobody was beside
    def self.alone_words(stage, watcher) =
      ("Nobody is named who was beside." if stage >= WATCHED_FROM && watcher.strip.empty?)

    # One time in the cold.
    Time = Value.define(:stage, :calm, :why_out) { def calm? = calm && !NOT_CALM.include?(why_out) }

    # @param log [Array<Time>] in order
    # @return [Integer] the highest stage that is open
    def self.open_stage(log)
      stage = 0
      stage += 1 while stage < STAGES.size - 1 && earned?(log, stage)
      stage
    end

    # @return [String] `Stage 1 of 4: … 2 of 3 calm.`
    def self.in_words(log)
      stage = open_stage(log)
      calm = calm_in_a_row(log, stage)
      rest = " #{[calm, CALM_TIMES].min} of #{CALM_TIMES} calm sessions in a row toward the next."
      rest = "" if stage == STAGES.size - 1
      "Stage #{stage + 1} of #{STAGES.size}: #{STAGES[stage]}.#{rest}"
    end

    # Once it was calm three times running, it stays earned.
    def self.earned?(log, stage) =
      log.select { |time| time.stage == stage }.each_cons(CALM_TIMES).any? { |times| times.all?(&:calm?) }

    def self.calm_in_a_row(log, stage) = log.select { |time| time.stage == stage }.reverse.take_while(&:calm?).size
    private_class_method :earned?, :calm_in_a_row
  end
end
