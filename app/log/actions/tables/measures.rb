# frozen_string_literal: true

module Windlass
  module Actions
    module Tables
      # Measures of a table go through the forms that a coach would have filled in.
      class Measures
        CONTROL_PAUSE = "control_pause"

        def initialize(now)
          @now = now
          @taken = []
        end

        # @param row [Formats::MeasuresCsv::Row]
        # @param athlete [Records::Athlete]
        # @return [Hash] of a {ReadTable::Row}
        def row(row, athlete)
          form = form(row)
          unless form.valid?
            return (
              {
                state: :wrong,
                what: row.kind,
                words: form.errors.map { |field, fault| "#{field}: #{fault}" }.join("; ")
              }
            )
          end

          {
            state: known?(row, athlete, form) ? :known : :new,
            what: words(row.kind),
            day: form.values[:taken_on],
            amount: amount(row, form),
            keep: -> { @taken << [row, athlete, form] }
          }
        rescue Unknown => error
          {state: :wrong, what: row.kind, words: "column kind: #{error.message}"}
        end

        # @param progress [Imports::Progress]
        def write(progress)
          @unseen =
            Records::Unseen.new(Records::Measure, {athlete_id: @taken.map { |_, athlete, _| athlete.id }.uniq})
          progress.begin("Writing", @taken.size)
          @unseen.write(@taken.map { |row, athlete, form| columns(row, athlete, form) }) do |count|
            progress.step(count)
          end
        end

        # Inside of a transaction.
        # @return [Array] what is to be judged: nothing
        def show
          @unseen.show
          uuids = @taken.reject { |row, _, _| row.kind == CONTROL_PAUSE }.map { |_, _, form| form.values[:uuid] }
          Records::Measure
            .where(uuid: uuids)
            .order(:taken_at, :id)
            .includes(:athlete)
            .each { |measure| TakeMeasure.act(measure, @now) }
          []
        end

        def clear = @unseen&.clear

        private

        def form(row)
          fields = row.fields.merge("uuid" => SecureRandom.uuid)
          if row.kind == CONTROL_PAUSE
            return (
              Forms::ControlPauseForm.parse(
                {"ended_by" => "distraction", "first_breath" => "calm", "on_waking" => "false"}.merge(fields),
                today: @now.to_date
              )
            )
          end

          kind = Windlass::Measures.kind(row.kind)
          Forms::MeasureForm.parse(fields.merge(kind.value.to_s => fields["seconds"]), kind: kind, today: @now.to_date)
        end

        def words(kind) = (kind == CONTROL_PAUSE) ? "Control pause" : Windlass::Measures.kind(kind).name

        def amount(row, form) =
          if row.kind == CONTROL_PAUSE
            Words.seconds(form.values[:seconds])
          else
            Windlass::Measures.kind(row.kind).value_words(value(row, form))
          end

        def value(row, form) =
          form
            .values
            .fetch((row.kind == CONTROL_PAUSE) ? :seconds : Windlass::Measures.kind(row.kind).value) do
              row.fields["seconds"].to_f
            end

        # The same measure: by its name, or by kind, day and value.
        def known?(row, athlete, form)
          there(athlete)
            .fetch([row.kind, form.values[:taken_on]], [])
            .any? { |kept| (kept - value(row, form)).abs < 0.005 } ||
            (!row.id.empty? && Records::Measure.seen.exists?(athlete_id: athlete.id, uuid: row.id))
        end

        # @return [Hash{Array(String, Date) => Array<Float>}] what this athlete has, by kind and day, discarded measures
        #   too
        def there(athlete)
          (@there ||= {})[athlete.id] ||= Records::Measure
            .seen
            .where(athlete_id: athlete.id)
            .pluck(:kind, :taken_at, :value)
            .group_by { |kind, at, _| [kind, at.getlocal.to_date] }
            .transform_values { |all| all.map(&:last) }
        end

        # What came from elsewhere was taken there: nobody is asked whether it may be taken now.
        # @return [Hash] of all columns, in one order
        def columns(row, athlete, form)
          taker = (row.kind == CONTROL_PAUSE) ? TakeControlPause : TakeMeasure
          kind = (taker == TakeMeasure) ? [Windlass::Measures.kind(row.kind)] : []
          whole = taker.whole(athlete, *kind, form.values, at: row.at || taker.taken_at(form.values, @now))
          Records::Measure.new(whole.merge(created_at: @now)).attributes.except("id", "discarded_at").symbolize_keys
        end
      end
    end
  end
end
