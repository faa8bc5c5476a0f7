# frozen_string_literal: true

module Windlass
  # Who was erased, as digests in a file beside the database: a copy that is put back later knows nothing of it, and
  # nobody who was erased comes back with it.
  module Erased
    # @param place [String] path of the database; nothing is kept beside a server's
    # @param digest [String]
    # @param undone [Boolean] it was taken back
    def self.note(digest, place: Database.default_path, undone: false)
      return unless Database.file?(place)

      File.open("#{place}.erased", "a", 0o600) { |file| file.puts("#{undone ? "-" : "+"} #{digest}") }
    end

    # @return [Set<String>]
    def self.digests(place = Database.default_path)
      return Set.new unless Database.file?(place) && File.exist?("#{place}.erased")

      File.foreach("#{place}.erased", chomp: true).each_with_object(Set.new) do |line, all|
        sign, digest = line.split
        (sign == "+") ? all << digest : all.delete(digest)
      end
    end

    # Whoever came back with an older copy goes again.
    # @param now [Time]
    def self.apply(place = Database.default_path, now: Time.now)
      gone = digests(place)
      return if gone.empty?

      Records::Athlete.where.not(uuid: nil).find_each do |athlete|
        Actions::EraseAthlete.delete(athlete, now: now) if gone.include?(Records::Erasure.digested(athlete.uuid))
      end
    end
  end
end
