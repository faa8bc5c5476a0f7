# frozen_string_literal: true

module Windlass
  # What of the house somebody sees by a right: the athletes that are theirs, and the rows of these. Every list and
  # every look-up of a page goes through it, so that a list can not show what its rows would refuse.
  class Sight
    # Rows that are nobody's in particular, and everybody's who coaches here.
    OF_THE_HOUSE = [Records::OwnProtocol].freeze

    # @param person_id [Integer, nil] who began a job; nil: the house itself
    # @return [Records::Account, Sight] what they see while it is done
    def self.while_done(account, person_id, now)
      return account unless person_id

      person = Records::Person.open.find_by(id: person_id)
      new(account, Policies::Coaches.new(person, on: now.to_date))
    end

    # @param person_id [Integer] who made a link
    # @param right [Class] by which they made it
    # @return [Sight, nil] what they see by it; nil where they have it no more
    def self.of_maker(house, person_id, on:, right: Policies::Coaches)
      policy = right.new(Records::Person.open.find_by(id: person_id), on: on)
      new(house, policy) if policy.allows?
    end

    attr_reader :account

    alias_method :house, :account

    # @param account [Records::Account]
    # @param policy [Policies::Policy]
    def initialize(account, policy)
      @account = account
      @policy = policy
    end

    delegate_to_account = %i[id ids place slice update! transaction own_protocols emergency_number site demo]
    delegate_to_account.each do |name|
      define_method(name) { |*given, &block| account.public_send(name, *given, &block) }
    end

    # @return [ActiveRecord::Relation]
    def athletes = all? ? account.athletes : account.athletes.where(id: tied)

    def active_athletes = athletes.active

    # @param rows [ActiveRecord::Relation, Class] of a table of the house
    # @return [ActiveRecord::Relation] those that are theirs
    def of(rows)
      own = rows.where(account_id: account.ids)
      (all? || OF_THE_HOUSE.include?(rows)) ? own : own.merge(narrowed(rows))
    end

    private

    def all? = @all ||= @policy.all?

    # @return [ActiveRecord::Relation] ids of athletes
    def tied
      ties = @policy.ties
      Records::Athlete
        .where(id: ties.select(:athlete_id))
        .or(
          Records::Athlete.where(
            id: Records::Member.where(group_id: ties.where(athlete_id: nil).select(:group_id)).select(:athlete_id)
          )
        )
        .select(:id)
    end

    # How rows of a table lead to an athlete.
    def narrowed(rows)
      model = rows.respond_to?(:klass) ? rows.klass : rows
      case model.name.demodulize
      when "Athlete"
        model.where(id: tied)
      when "Group"
        model.where(id: groups)
      when "Squad"
        model.where.not(id: foreign_squads)
      when "Import"
        model.where(person_id: @policy.person&.id)
      else
        narrowed_by_column(model)
      end
    end

    def narrowed_by_column(model)
      columns = model.column_names
      return model.where(athlete_id: tied) if columns.include?("athlete_id")
      if columns.include?("session_id")
        return model.where(session_id: Records::Session.where(athlete_id: tied).select(:id))
      end
      if columns.include?("prescription_id")
        return model.where(prescription_id: Records::Prescription.where(athlete_id: tied).select(:id))
      end

      model.none
    end

    # A group is theirs by name, or where all of its members are.
    def groups
      foreign = Records::Member.where.not(athlete_id: tied).select(:group_id)
      Records::Group
        .where(id: @policy.ties.select(:group_id))
        .or(Records::Group.where(id: Records::Member.select(:group_id)).where.not(id: foreign))
        .select(:id)
    end

    # Of a squad with somebody else's athlete nothing is seen.
    def foreign_squads =
      Records::Session
        .where(account_id: account.ids)
        .where.not(squad_id: nil)
        .where.not(athlete_id: tied)
        .select(:squad_id)
  end
end
