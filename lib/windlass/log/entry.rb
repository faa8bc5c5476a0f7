# frozen_string_literal: true

module Windlass
  module Log
    # A note read: date [Date], at [String, nil] `18:30`, rounds, effort, symptoms [Array<Symbol>], note.
    Entry = Value.define(:date, :at, :rounds, :effort, :symptoms, :note)
  end
end
