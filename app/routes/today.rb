# frozen_string_literal: true

module Windlass
  module Routes
    module Today
      def self.registered(app)
        app.get("/") do
          group = Records::Group.find_by(account_id: account.id, id: said(:group)) if said(:group).match?(/\A\d{1,15}\z/)
          erb :"today/index", locals: {title: "Today", page: Presenters::Today.new(account, now: now, links: morning_links, group: group, number: said(:page).to_i, all: said(:all) == "1")}
        end
      end
    end
  end
end
