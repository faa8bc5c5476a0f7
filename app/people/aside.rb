# frozen_string_literal: true

module Windlass
  # Long reckoning that nobody else is to wait for, such as a hash of a password: on a thread of its own, which the
  # machine serves after all others. A mark of a deck that runs comes first.
  module Aside
    # As `nice` counts.
    LATER = 5

    # @yieldreturn [Object] what it comes to
    # @return [Object]
    def self.reckon(&block)
      Thread.new do
        # On Linux this is of the thread alone; elsewhere it would be of all of them.
        Process.setpriority(Process::PRIO_PROCESS, 0, LATER) if RUBY_PLATFORM.include?("linux")
        block.call
      end.value
    end
  end
end
