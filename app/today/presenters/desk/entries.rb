# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What the desk says of each athlete, kept under the mark that the database changes with anything that it is made
      # of: of whom nothing changed nothing is worked out again.
      class Entries
        KEPT = BoundedCache.new(4_000)

        # openings: what may still be done today.
        Entry = Value.define(:stopped, :twins, :decisions, :steps, :missing, :changes, :looks, :openings, :unscored)

        LISTS = {
          stopped: ->(ground) { Decisions.new(ground).stopped },
          twins: ->(ground) { Decisions.new(ground).twins },
          decisions: ->(ground) { Decisions.new(ground).rows },
          steps: ->(ground) { FirstSteps.new(ground).rows },
          missing: ->(ground) { Missing.new(ground).rows },
          changes: ->(ground) { Changes.new(ground).rows },
          looks: ->(ground) { Looks.new(ground).rows },
          openings: ->(ground) { Openings.new(ground).rows }
        }.freeze

        # @param athletes [ActiveRecord::Relation] in order
        # @param now [Time]
        def initialize(account, athletes, now:)
          @account = account
          @now = now
          @names = athletes.pluck(:id, :name, :desk_mark)
        end

        def empty? = @names.empty?

        # @return [Array<Entry>] in order of the athletes
        def to_a
          day = @now.to_date.jd
          @entries ||=
            KEPT.fetch_all(@names.map { |id, _, mark| [id, mark, day, absent.include?(id)] }) do |keys|
              anew(keys.map(&:first)).transform_keys(keys.to_h { |key| [key.first, key] })
            end
        end

        # @return [Array] of a list, in order of the athletes
        def all(list) = to_a.flat_map(&list)

        # @return [Array<Decisions::Row>] what must be decided, the strongest verdict first
        def decisions = all(:decisions).sort_by { |one| [Progression::VERDICTS.index(one.verdict), one.name] }

        # @return [Array<Array(Integer, String)>] who trains and has no morning score yet
        def unscored = @names.zip(to_a).filter_map { |(id, name, _), entry| [id, name] if entry.unscored }

        private

        # An absence is no row that moves an athlete's mark.
        def absent = @absent ||= Records::Absence.on(@now.to_date).pluck(:athlete_id).to_set

        # @return [Hash{Integer => Entry}]
        def anew(ids)
          ground =
            Ground.new(
              @account,
              now: @now,
              only: Records::Athlete.where(id: ids).includes(:suspensions, :screenings, :clearances, :consents).to_a
            )
          lists = LISTS.transform_values { |rows| rows.call(ground).group_by(&:athlete_id) }
          unscored = Scores.new(ground).missing.to_set(&:id)
          ids.to_h do |id|
            [id, Entry.new(**lists.transform_values { |rows| rows.fetch(id, []) }, unscored: unscored.include?(id))]
          end
        end
      end
    end
  end
end
