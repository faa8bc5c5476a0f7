# frozen_string_literal: true

module Windlass
  module Routes
    # Who is their own coach is asked twice where a coach would look. What they sent comes back with the reasons, and a
    # second press does it.
    module Twice
      SURE = "sure"

      def self.registered(app) = app.helpers(Helpers)

      module Helpers
        # @param whose [Records::Athlete]
        # @yieldreturn [Array<String>] what a coach would look at; nothing is asked where there is nothing
        def look_twice(whose)
          return if said(SURE) == "yes" || !person.themselves?(whose, on: today)

          why = yield
          return if why.empty?

          status 422
          halt erb(:"people/twice", locals: {title: "Look at it twice", why: why, fields: resent})
        end
      end
    end
  end
end
