# frozen_string_literal: true

module Windlass
  module Actions
    module Tables
      # Dives of a table go through the form of the surface clock.
      class Dives
        def initialize(now)
          @now = now
          @rows = Hash.new { |all, athlete| all[athlete] = [] }
        end

        # @param row [Formats::DivesCsv::Row]
        # @param athlete [Records::Athlete]
        # @return [Hash] of a {ReadTable::Row}
        def row(row, athlete)
          form =
            Forms::DiveForm.parse(row.fields.merge("uuid" => SecureRandom.uuid, "athlete_id" => athlete.id), now: @now)
          return {state: :wrong, what: "Dive", words: form.in_short} unless form.valid?

          down = form.columns[:down_at]
          known = there(athlete).include?(down) || (!row.id.empty? && Records::Dive.unscoped.exists?(uuid: row.id))
          {
            state: known ? :known : :new,
            what: "Dive",
            day: form.columns[:local_date],
            amount: [
              Words.clock(form.values[:seconds]),
              ("#{Words.number(form.values[:depth_m])} m" if form.values[:depth_m])
            ].compact.join(", "),
            keep: -> { @rows[athlete] << form.columns.merge(uuid: form.values[:uuid]) }
          }
        end

        # @param progress [Imports::Progress]
        def write(progress)
          @many = @rows.map { |athlete, rows| ManyDives.new(athlete, rows) }
          progress.begin("Writing", @rows.sum { |_, rows| rows.size })
          @many.each { |many| many.write(progress) }
        end

        # Inside of a transaction.
        # @return [Array] what is to be judged: nothing
        def show = @many.each { |many| many.show(@now) } && []

        def clear = @many&.each(&:clear)

        private

        # @return [Set<Time>] when this athlete went under, discarded dives too
        def there(athlete) =
          (@there ||= {})[athlete.id] ||= Records::Dive.seen.where(athlete_id: athlete.id).pluck(:down_at).to_set
      end
    end
  end
end
