# frozen_string_literal: true

require "yaml"

module Windlass
  # Who may hold their breath at all, and in which way.
  module Screening
    # The table of conditions against columns of families, as read from data/screening.yml.
    class Matrix
      Condition = Value.define(:id, :question, :states)

      # @return [Hash{Symbol => String}] columns and their words
      attr_reader :columns

      # @return [Array<Condition>] in the order in which they are asked
      attr_reader :conditions

      # @param table [Hash] as parsed
      # @raise [InvalidInput] where a row does not fit the columns
      def initialize(table)
        @columns = table.fetch("columns").transform_keys(&:to_sym).freeze
        @conditions = table.fetch("conditions").map { |id, row| condition(id, row) }.freeze
        freeze
      end

      # @param path [String]
      def self.load(path) = new(YAML.safe_load_file(path))

      # @param ids [Array<Symbol>] conditions answered with yes
      # @param column [Symbol]
      # @return [Array<Array(Condition, Symbol)>] those that matter for the column, strictest first
      def concerns(ids, column)
        conditions
          .select { |one| ids.include?(one.id) && one.states[column] != :open }
          .map { |one| [one, one.states[column]] }
          .sort_by
          .with_index { |(_, state), index| [-STATES.index(state), index] }
      end

      private

      def condition(id, row)
        states = row.fetch("states").map(&:to_sym)
        raise InvalidInput, ["#{id}: #{states.size} states for #{columns.size} columns"] if states.size != columns.size
        if (states - STATES).any?
          raise InvalidInput, ["#{id}: #{(states - STATES).first} is no state; allowed: #{STATES.join(", ")}"]
        end

        Condition.new(id: id.to_sym, question: row.fetch("question"), states: columns.keys.zip(states).to_h.freeze)
      end
    end
  end
end
