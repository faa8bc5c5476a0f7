# frozen_string_literal: true

module Windlass
  # Who may do what, and whose rows they see: one class a right. A route names one of them, or the application does not
  # start.
  module Policies
    # A right: to be asked of a person, on a day.
    class Policy
      class << self
        # @param name [Symbol] as routes say it
        # @param words [String] what it lets somebody do
        # @param roles [Array<String>] whose it is
        def about(name, words, roles:)
          @facts = {name: name, words: words, roles: roles}.freeze
        end

        def right = @facts.fetch(:name)

        def words = @facts.fetch(:words)

        def roles = @facts.fetch(:roles)
      end

      attr_reader :person

      # @param person [Records::Person, nil]
      # @param on [Date]
      # @param of [Array<Records::Role>] that they have, or had at the moment that matters
      def initialize(person, on: nil, of: person ? person.roles_on(on) : [])
        @person = person
        @of = of
      end

      # @return [Boolean] nobody has to be signed in
      def public? = false

      # @return [Boolean]
      def allows? = roles.any?

      # @return [Boolean] everybody in the house is theirs
      def all? = roles.any?(&:of_all)

      # @return [ActiveRecord::Relation] roles by which somebody is theirs: by themselves, or by a group
      def ties = Records::Role.where(id: roles.map(&:id))

      private

      # @return [Array<Records::Role>] that hold, and that give this right
      def roles = @roles ||= @of.select { |role| self.class.roles.include?(role.kind) }
    end
  end
end
