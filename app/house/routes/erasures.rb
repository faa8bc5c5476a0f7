# frozen_string_literal: true

module Windlass
  module Routes
    # Somebody who left is erased, and for a fortnight that can be taken back.
    module Erasures
      def self.registered(app)
        app.helpers Helpers

        # The name is typed: a press alone erases nobody.
        app.post("/athletes/:athlete_id/erase", may: :coaches) do
          record = athlete
          unless said(:name) == record.name
            raise Error, "Type the name as it stands to erase somebody: “#{said(:name)}” is not “#{record.name}”."
          end

          kept = Actions::EraseAthlete.call(record, by: person, now: now)
          tell "#{kept.name} is erased. Until #{Words.date(kept.ends_at.to_date)} that can be taken back.",
            undo: "/erasures/#{kept.id}/undo"
          redirect to("/athletes"), 303
        end

        app.post("/erasures/:id/undo", may: :coaches) do
          kept = find_in(erasures)
          Actions::EraseAthlete.undo(kept)
          tell "#{kept.name} is back, with all that was theirs."
          redirect to("/athletes"), 303
        end
      end

      module Helpers
        # Whoever erased somebody takes it back.
        def erasures = Records::Erasure.where(account_id: house.id, made_by: person.id).where("ends_at > ?", now)
      end
    end
  end
end
