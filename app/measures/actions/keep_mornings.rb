# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps morning scores of several: all of them or none.
    module KeepMornings
      # @param athletes [Array<Records::Athlete>]
      # @param rows [Hash{Integer => Forms::ControlPauseForm}] by athlete
      # @return [Array<Records::Measure>]
      # @raise [Error] where somebody's may not be kept
      def self.call(athletes, rows, now:)
        by_id = athletes.index_by(&:id)
        Records::Measure.transaction do
          rows.map { |id, form| TakeControlPause.morning(by_id.fetch(id), form.values, now: now) }
        end
      end
    end
  end
end
