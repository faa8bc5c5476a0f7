# frozen_string_literal: true

module Windlass
  module Programme
    # Why something does not lie there, or why it does.
    Reason = Value.define(:rule, :text)
  end
end
