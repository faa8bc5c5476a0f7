# frozen_string_literal: true

module Windlass
  module Progression
    Reason = Value.define(:rule, :verdict, :text)
  end
end
