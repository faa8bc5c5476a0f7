# frozen_string_literal: true

module Windlass
  module Policies
    # What names nobody, and what a link with a secret opens: the secret is the right.
    class Anyone < Policy
      about :anyone, "opens what names nobody, or what their own link is for", roles: []

      def public? = true

      def allows? = true
    end
  end
end
