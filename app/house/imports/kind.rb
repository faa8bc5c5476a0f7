# frozen_string_literal: true

module Windlass
  module Imports
    # A kind of file that is read in. `bring(bytes)` brings what is in it, visible in one step, and returns what is
    # left; `finish(left)` does that, and returns the outcome. What is left is plain JSON, for another process may have
    # to finish it.
    class Kind
      # Where it leads, and what is said there.
      Outcome = Value.define(:words, :path)

      class << self
        # @param id [String] its name in the database
        # @param title [String] of its page
        # @param at_once [Integer] bytes up to which it is read before the page answers
        def about(id:, title:, at_once:)
          @id, @title, @at_once = id, title, at_once
        end

        attr_reader :id, :title

        # @return [Boolean] too long to be read before the page answers
        def long?(bytes) = bytes.bytesize > @at_once
      end

      # @param account [Records::Account]
      # @param about [Hash{String => Object}] plain JSON: whose it is, how it is to be read
      def initialize(account, about, now:, progress: Progress::NONE)
        @account = account
        @about = about
        @now = now
        @progress = progress
      end

      private

      attr_reader :account, :about, :now, :progress

      # @return [Records::Athlete]
      def athlete = account.athletes.find(about.fetch("athlete_id"))
    end
  end
end
