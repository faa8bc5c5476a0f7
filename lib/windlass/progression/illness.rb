# frozen_string_literal: true

module Windlass
  module Progression
    # An illness: its last day with symptoms.
    Illness = Value.define(:last_day, :chest)
  end
end
