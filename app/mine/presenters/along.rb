# frozen_string_literal: true

module Windlass
  module Presenters
    # What stands in for all pages while the server is away: the questions, the morning score, what was felt. It names
    # nobody: it lies on every device.
    class Along
      def initialize(today:)
        @today = today
      end

      # @return [Array<Array(Symbol, String)>] what is asked of a day; a chest illness is one
      def questions =
        [*Progression::TodaysQuestions::ALL, [:chest, Progression::TodaysQuestions::CHEST_ILLNESS]]

      def felt = Felt.new(today: @today)

      # @return [Array(Integer, Integer)] seconds that a control pause can be
      def plausible_s = Measures::PLAUSIBLE_S.minmax

      # @return [Forms::FeltForm] nothing felt yet
      def felt_form = Forms::FeltForm.blank(felt_on: @today.iso8601, strength: "2")

      # @return [Forms::ControlPauseForm] nothing taken yet
      def morning_form = Forms::ControlPauseForm.blank(taken_on: @today.iso8601, on_waking: "true")
    end
  end
end
