# frozen_string_literal: true

module Windlass
  module Programme
    # A session of a plan, with what it says for itself.
    Entry =
      Value.define(
        :training, :date, :at, :begins, :minutes, :place, :rung, :dose, :expected, :light, :seconds, :hold_seconds,
        :fixed, :proposed, :apart, :reasons
      )
  end
end
