# frozen_string_literal: true

module Windlass
  module Presenters
    # Who coaches an athlete, and who else might: sharing, handing over, covering.
    class CoachesPage
      Row = Value.define(:id, :name, :words, :own)

      attr_reader :athlete, :form

      def initialize(athlete, person, form:, today:)
        @athlete = athlete
        @person = person
        @form = form
        @today = today
      end

      # @return [Array<Row>] by themselves, by a group, or as coach of everybody
      def rows
        Records::Role.on(@today).where(kind: "coach").where(person_id: Records::Person.open.select(:id))
          .includes(:person, :group).select { |role| of_this?(role) }
          .map { |role| Row.new(id: role.id, name: role.person.name, words: words(role), own: !role.athlete_id.nil?) }
      end

      # @return [Array<Array(Integer, String)>] people who may be asked; nobody is chosen beforehand
      def others
        asked = Records::Person.open.where(account_id: athlete.account_id).where.not(id: @person.id).by_name
        [["", "choose"], *asked.pluck(:id, :name)]
      end

      private

      def of_this?(role) =
        role.of_all || role.athlete_id == athlete.id ||
          (role.group_id && Records::Member.exists?(group_id: role.group_id, athlete_id: athlete.id))

      def words(role)
        how = if role.of_all
          "coach of everybody"
        else
          role.group ? "coach of #{role.group.name}" : "coach"
        end
        [how, ("until #{Words.date(role.until_on)}" if role.until_on)].compact.join(", ")
      end
    end
  end
end
