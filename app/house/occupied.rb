# frozen_string_literal: true

module Windlass
  # Who has a house open: each process that serves it, or that puts another in its place.
  module Occupied
    # Held as long as the process lives.
    def self.hold(path)
      @held = File.open("#{path}.open", File::CREAT | File::RDWR, 0o600)
      raise Error, "#{path}: is being restored." unless @held.flock(File::LOCK_SH | File::LOCK_NB)
    rescue Errno::EACCES, Errno::EROFS
      @held = nil
    end

    # @raise [Error] where somebody has it open
    def self.alone(path)
      FileUtils.mkdir_p(File.dirname(path))
      File.open("#{path}.open", File::CREAT | File::RDWR, 0o600) do |held|
        raise Error, "#{path}: is in use. Stop Windlass first." unless held.flock(File::LOCK_EX | File::LOCK_NB)

        yield
      end
    end
  end
end
