# frozen_string_literal: true

module Windlass
  # A right is a file in policies/rights, and nothing else.
  module Policies
    ALL = Listed.in(File.join(__dir__, "policies/rights"), Policy, loader: ROOMS).to_h { |one| [one.right, one] }.freeze

    # @param right [Symbol] as a route names it
    # @return [Class]
    # @raise [Error] where there is none: the route is closed, and the application does not start
    def self.fetch(right)
      ALL.fetch(right) { raise Error, "#{right.inspect} is no right; there are #{ALL.keys.join(", ")}." }
    end
  end
end
