# frozen_string_literal: true

module Windlass
  module Presenters
    # Who uses the house and what they are; whom the keeper may invite, and to what.
    class PeoplePage
      Row = Value.define(:id, :name, :login, :closed, :roles)
      Held = Value.define(:id, :words, :days)

      attr_reader :form

      # @param invited [String, nil] the secret of an invitation that was made just now
      # @param base [String] address of the house
      def initialize(house, form, invited:, today:, base:)
        @house = house
        @form = form
        @invited = invited
        @today = today
        @base = base
      end

      # @return [Array<Row>]
      def rows
        Records::Person
          .where(account_id: @house.id)
          .includes(roles: %i[athlete group])
          .by_name
          .map do |one|
            held = one.roles_on(@today).map { |role| Held.new(id: role.id, words: role.in_words, days: days(role)) }
            Row.new(id: one.id, name: one.name, login: one.login, closed: one.closed?, roles: held)
          end
      end

      # @return [Forms::RoleForm] of whom nothing is asked yet
      def untouched = Forms::RoleForm.blank

      # @return [String, nil] shown once
      def link = @invited && "#{@base}/invitations/#{@invited}"

      # @return [Hash{String => String}] of whom somebody may be coach or assistant. No athlete is named here.
      def whom =
        {"" => "choose", "all" => "everybody"}.merge(
          @house.of(Records::Group).by_name.to_h { |group| ["group #{group.id}", "the group #{group.name}"] }
        )

      private

      def days(role) = role.until_on ? "until #{Words.date(role.until_on)}" : "since #{Words.date(role.from_on)}"
    end
  end
end
