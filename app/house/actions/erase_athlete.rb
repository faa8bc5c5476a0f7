# frozen_string_literal: true

require "zlib"

module Windlass
  module Actions
    # Erases somebody who has left: every row that is theirs goes at once. For a fortnight an archive of it is kept, and
    # whoever erased them can take it back; then that goes, too. Copies that were made before end by rotation.
    module EraseAthlete
      # @param by [Records::Person]
      # @raise [Error] where they train here still
      # @return [Records::Erasure]
      def self.call(athlete, by:, now:)
        raise Error, "#{athlete.name} trains here still. Say first that they have left." unless athlete.left_on

        purge(now: now)
        athlete.with_lock do
          athlete.update_columns(uuid: SecureRandom.uuid) unless athlete.uuid
          kept = keep(athlete, by, now)
          delete(athlete, now: now)
          Erased.note(kept.digest)
          kept
        end
      end

      # @param erasure [Records::Erasure]
      # @raise [InvalidInput] where something of it is here again
      def self.undo(erasure)
        Archive::Reader.new(erasure.account).read(Zlib.gunzip(erasure.archive))
        Erased.note(erasure.digest, undone: true)
        erasure.destroy!
      end

      # What can not be undone any more.
      def self.purge(now:) = Records::Erasure.ended(now).delete_all

      # Every row of theirs, from what refers to others down to themselves.
      def self.delete(athlete, now:)
        theirs = {
          sessions: Records::Session.unscoped.where(athlete_id: athlete.id).select(:id),
          prescriptions: Records::Prescription.unscoped.where(athlete_id: athlete.id).select(:id)
        }
        Records::Record.transaction do
          forget_people(athlete, now)
          gone = [
            Records::Feed, Records::Letter, Records::ConsentLink, Records::Device, Records::Member, Records::LaidSet
          ]
          gone.each do |record|
            record.where(athlete_id: athlete.id).delete_all
          end
          Archive::TABLES.reverse_each do |table|
            found = table.rows([athlete.id], **theirs)
            table.record.unscoped.where(table.key => found.pluck(table.key)).delete_all
          end
        end
      end

      # Whoever was nothing here but this athlete has no name any more, and no way in.
      def self.forget_people(athlete, now)
        Records::Person.joins(:roles).where(roles: {athlete_id: athlete.id, kind: "athlete"}).distinct.each do |person|
          next unless person.roles.all? { |role| role.athlete_id == athlete.id && role.kind == "athlete" }

          ClosePerson.call(person, now: now)
          person.update!(name: "Somebody who was erased", login: nil)
        end
      end

      def self.keep(athlete, by, now)
        text = +""
        Archive::Writer.new(athlete.account, athlete: athlete).write { |part| text << part }
        Records::Erasure.create!(
          account_id: athlete.account_id,
          made_by: by.id,
          name: athlete.name,
          digest: Records::Erasure.digested(athlete.uuid),
          archive: Zlib.gzip(text),
          made_at: now,
          ends_at: now + Records::Erasure::UNDO_DAYS * 86_400
        )
      end
      private_class_method :keep, :forget_people
    end
  end
end
