# frozen_string_literal: true

require "fileutils"

module Windlass
  # The whole house as one file, taken while it is in use; and back.
  module Backup
    NAMED = "windlass-%Y-%m-%d-%H%M%S.sqlite3"
    FILES = "windlass-*.sqlite3"
    KEPT = 14
    # Pages that are copied in a step; what was copied is on the disk before the next, so that no mark waits behind a
    # heap of it.
    STEP_PAGES = 256
    # Others have their turn between steps. Seconds.
    PAUSE_S = 0.005

    # rows: by table.
    Copy = Value.define(:path, :rows)

    class << self
      # @param from [String] path of the database, in use or not
      # @param folder [String] made where it is not there
      # @param now [Time]
      # @param keep [Integer] so many stay, the oldest go
      # @param pause [#call] between steps
      # @param key [String, nil] the key file, where it goes along
      # @return [Copy] which was read whole and found sound
      # @raise [Error] where there is nothing, or the copy is not sound; nothing of it stays then
      def take(from, folder, now:, keep: KEPT, key: nil, pause: -> { sleep PAUSE_S })
        raise Error, "#{from}: there is no database." unless File.exist?(from)

        FileUtils.mkdir_p(folder, mode: 0o700)
        FileUtils.rm_f(Dir[File.join(folder, "#{FILES}.part")])
        copy = File.join(folder, now.strftime(NAMED))
        whole(from, "#{copy}.part", pause)
        rows = check("#{copy}.part")
        FileUtils.install(key, "#{copy}.key", mode: 0o600) if key && File.exist?(key)
        File.rename("#{copy}.part", copy)
        rotate(folder, keep)
        Copy.new(path: copy, rows: rows)
      ensure
        FileUtils.rm_f("#{copy}.part") if copy
      end

      # @param file [String]
      # @return [Hash{String => Integer}] rows by table
      # @raise [Error] where it is no sound house of Windlass
      def check(file)
        reading(file) do |database|
          sound = database.execute("PRAGMA integrity_check").flatten
          raise Error, "#{file}: is damaged (#{sound.first})." unless sound == ["ok"]

          broken = database.execute("PRAGMA foreign_key_check").first
          raise Error, "#{file}: a row of #{broken.first} refers to nothing." if broken

          newer = database.execute("SELECT version FROM schema_migrations").flatten - known
          raise Error, "#{file}: was made by a newer Windlass (#{newer.max})." if newer.any?

          HouseFile.tables(database).to_h { |table|
            [table, database.get_first_value("SELECT count(*) FROM \"#{table}\"")]
          }
        end
      end

      # Puts a copy in the place of the database. What stood there is kept beside it. Killed at any moment, it is the
      # one or the other, whole, with all that was ever written to it; {interrupted} says which.
      # @param file [String]
      # @param to [String] path of the database
      # @param now [Time]
      # @return [String, nil] where what stood there is kept
      # @raise [Error] where the file is not sound, or somebody has the house open
      def restore(file, to, now:)
        check(file)
        Occupied.alone(to) do
          sweep(to)
          before = keep(to, now.strftime("#{to}.before-%Y-%m-%d-%H%M%S")) if File.exist?(to)
          FileUtils.mkdir_p(File.dirname(to))
          copied(file, "#{to}.part")
          File.write("#{to}.restoring", "#{File.basename(file)}, #{now.strftime("%F %T")}")
          take_the_place("#{to}.part", to)
          FileUtils.rm_f("#{to}.restoring")
          Records::HouseKey.bring("#{file}.key", Records::HouseKey.file(to)) if File.exist?("#{file}.key")
          before
        end
      end

      # What a restore that was killed left behind is cleared away.
      # @param path [String] of the database
      # @return [String, nil] what it was, and where the house stands
      def interrupted(path)
        of = File.read("#{path}.restoring") if File.exist?("#{path}.restoring")
        stands =
          File.exist?("#{path}.part") ? "The house is as it was before." : "The house is the one that was restored."
        sweep(path)
        "A restore was interrupted (#{of}). #{stands}" if of
      end

      private

      # Half of something.
      def sweep(path) =
        FileUtils.rm_f(
          [
            "#{path}.part",
            "#{path}.restoring",
            *Dir["#{path}.before-*.part"],
            *Dir["#{path}.before-*-wal"],
            *Dir["#{path}.before-*-shm"]
          ]
        )

      # The newest writes may stand in the log beside the file, where a server was killed: they go into the file before
      # anything else.
      def keep(path, before)
        database = SQLite3::Database.new(path)
        database.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        database.close
        whole(path, "#{before}.part", -> {})
        take_the_place("#{before}.part", before)
        before
      end

      def copied(file, to)
        FileUtils.cp(file, to)
        File.chmod(0o600, to)
        File.open(to, &:fsync)
      end

      # The log of what stood there is empty by now.
      def take_the_place(file, to)
        File.rename(file, to)
        FileUtils.rm_f(["#{to}-wal", "#{to}-shm"])
        File.open(File.dirname(to), &:fsync)
      end

      # All of it as it was at one moment, whoever writes meanwhile: a reader keeps no writer waiting.
      def whole(from, to, pause)
        FileUtils.rm_f(to)
        File.open(to, File::CREAT | File::WRONLY, 0o600).close
        reading(from) do |database|
          database.transaction do
            # From here on it stays what it is now.
            database.get_first_value("SELECT count(*) FROM sqlite_master")
            copy(database, to, pause)
          end
        end
        to
      end

      def copy(database, to, pause)
        target = SQLite3::Database.new(to)
        # Nobody reads it before it is whole.
        target.execute_batch("PRAGMA journal_mode = OFF; PRAGMA synchronous = OFF")
        unless stepped(target, database, to, pause)
          raise Error, "#{to}: can't be written whole. Is there room on the disk?"
        end

        # One file, without companions.
        target.execute("PRAGMA journal_mode = DELETE")
      ensure
        target&.close
        File.open(to, &:fsync)
      end

      # @return [Boolean] all of it was copied
      def stepped(target, database, to, pause)
        steps = SQLite3::Backup.new(target, "main", database, "main")
        File.open(to) do |file|
          while (ended = steps.step(STEP_PAGES)) == SQLite3::Constants::ErrorCode::OK
            file.fdatasync && pause.call
          end
          ended == SQLite3::Constants::ErrorCode::DONE
        end
      ensure
        steps&.finish
      end

      def reading(file, &block) =
        HouseFile.opened(file, failing: "can't be read as a database", readonly: true, &block)

      def known = Dir[File.join(Database::MIGRATIONS, "*.rb")].map { |path| File.basename(path)[/\A\d+/] }

      def rotate(folder, keep)
        old = Dir[File.join(folder, FILES)].sort[0...-keep]
        FileUtils.rm_f(old + old.map { |file| "#{file}.key" })
      end
    end
  end
end
