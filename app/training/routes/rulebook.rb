# frozen_string_literal: true

module Windlass
  module Routes
    module Rulebook
      def self.registered(app)
        app.get("/rules", may: :signed_in) do
          erb :"rulebook/show", locals: {title: "The rulebook", page: Presenters::Rulebook.new}
        end
      end
    end
  end
end
