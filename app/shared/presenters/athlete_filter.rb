# frozen_string_literal: true

module Windlass
  module Presenters
    # Whom a page is about: everybody here or a group, so many at a time.
    class AthleteFilter
      PAGE = 50

      attr_reader :group

      # @param account [Records::Account]
      # @param place [String] address of the page
      # @param group [String] number of a group, as it was asked for; anything else: everybody
      # @param number [String] of the page, as it was asked for
      def initialize(account, place, group: "", number: "")
        @account = account
        @place = place
        @group = groups.find { |one| one.id.to_s == group }
        @asked = number.to_i
      end

      # @return [ActiveRecord::Relation] all of them, by name
      def whole = group ? group.athletes : @account.active_athletes.by_name

      # @return [ActiveRecord::Relation] of this page
      def athletes = whole.offset((number - 1) * PAGE).limit(PAGE)

      def number = @asked.clamp(1, [pages, 1].max)

      def pages = (count / PAGE.to_f).ceil

      def path(number) = address(group, number)

      # @return [Array<Array(String, String, Boolean)>] whom it can be about: words, address, whether it is; empty
      #   without groups
      def choices =
        if groups.empty?
          []
        else
          [nil, *groups].map { |one| [one ? one.name : "Everybody", address(one, 1), one == group] }
        end

      private

      def count = @count ||= whole.count

      def groups = @groups ||= @account.of(Records::Group).by_name.to_a

      def address(group, number)
        query = URI.encode_www_form({group: group&.id, page: (number if number > 1)}.compact)
        query.empty? ? @place : "#{@place}?#{query}"
      end
    end
  end
end
