# frozen_string_literal: true

module Windlass
  module Presenters
    # Who uses the house and what they are; whom the keeper may invite, and to what.
    class PeoplePage
      Row = Value.define(:id, :name, :login, :closed, :roles)
      Held = Value.define(:id, :words, :days)

      # @param form [Forms::RoleForm] what was typed last
      # @param giving [Records::Person, nil] to whom it was to be given; nil where somebody was to be invited
      # @param invited [String, nil] the secret of an invitation that was made just now
      # @param base [String] address of the house
      def initialize(house, form, invited:, today:, base:, giving: nil)
        @house = house
        @form = form
        @giving = giving
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

      # @return [Forms::RoleForm] of an invitation
      def form = @giving ? Forms::RoleForm.blank : @form

      # @param row [Row]
      # @return [Forms::RoleForm] of what this person is to be given
      def form_of(row) = given?(row) ? @form : Forms::RoleForm.blank

      # @return [Boolean] it is this person to whom something was to be given and could not
      def given?(row) = @giving&.id == row.id

      # @return [Array<String>] what is wrong with it, each with the name of its field
      def faults(form) = form.errors.map { |field, words| "#{field.to_s.delete_suffix("_on").capitalize}: #{words}" }

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
