# frozen_string_literal: true

module Windlass
  module Records
    # The athletes that a list asks for: who, in which order, which page.
    class Roster
      PAGE = 50
      WHO = {"here" => "who trains here", "left" => "who has left", "all" => "everybody"}.freeze
      ORDERS = {
        "name" => "by name", "trained" => "trained last", "idle" => "longest without training",
        "step" => "longest without a step", "down" => "most steps down", "pause" => "shortest control pause",
        "hold" => "longest maximal hold"
      }.freeze

      NEWEST = ->(kind) do
        "(SELECT value FROM measures WHERE measures.athlete_id = athletes.id AND kind = '#{kind}' AND discarded_at " \
        "IS NULL ORDER BY taken_at DESC LIMIT 1)"
      end
      TRAINED =
        "(SELECT max(local_date) FROM sessions WHERE sessions.athlete_id = athletes.id AND discarded_at IS NULL)"
      MOVES =
        "FROM moves JOIN prescriptions ON prescriptions.id = moves.prescription_id WHERE prescriptions.athlete_id = " \
        "athletes.id AND moves.taken_back_at IS NULL"
      OPEN = "EXISTS (SELECT 1 FROM prescriptions WHERE prescriptions.athlete_id = athletes.id AND state = 'active')"
      SORTED = {
        "name" => nil,
        "trained" => "#{TRAINED} DESC NULLS LAST",
        "idle" => "#{TRAINED} ASC NULLS FIRST",
        # Whoever trains nothing just now is not without a step.
        "step" =>
          "#{OPEN} DESC, (SELECT max(moves.local_date) #{MOVES} AND moves.decided = 'advance') ASC NULLS FIRST",
        "down" =>
          "(SELECT count(*) #{MOVES} AND moves.decided IN ('ease', 'rest', 'stop') AND moves.local_date > :since) DESC",
        "pause" => "#{NEWEST["control_pause"]} ASC NULLS LAST",
        "hold" => "#{NEWEST["maximal_hold"]} DESC NULLS LAST"
      }.freeze

      attr_reader :search, :who, :order, :group_id

      # @param account [Account]
      # @param asked [Hash{Symbol => String}] search, who, order, group, page; what makes no sense is passed over
      # @param today [Date]
      def initialize(account, asked, today:)
        @account = account
        @today = today
        @search = asked[:search].to_s
        @who = WHO.key?(asked[:who]) ? asked[:who] : "here"
        @order = ORDERS.key?(asked[:order]) ? asked[:order] : "name"
        @group_id = groups.map(&:last).find { |id| id.to_s == asked[:group] }
        @page = asked[:page].to_i
      end

      # @return [Array<Array(String, Integer)>]
      def groups = @groups ||= @account.of(Group).by_name.pluck(:name, :id)

      def count = @count ||= found.count

      # @return [Boolean] there is nobody in the whole house
      def nobody? = @account.athletes.none?

      def pages = (count / PAGE.to_f).ceil

      def number = @page.clamp(1, [pages, 1].max)

      # @return [Array<Athlete>] of this page
      def athletes =
        sorted
          .offset((number - 1) * PAGE)
          .limit(PAGE)
          .includes(:suspensions, :screenings, :clearances, :prescriptions)
          .to_a

      def path(number)
        asked = {search: search, who: who, order: order, group: group_id, page: number}
        "/athletes?#{URI.encode_www_form(asked.reject { |_, value| value.to_s.empty? })}"
      end

      private

      def sorted = SORTED[order] ? found.order(Arel.sql(SORTED[order], since: since)).by_name : found.by_name

      def since = @today - Progression::Whereabouts::SPAN_DAYS

      def found
        all = @account.athletes
        all = all.where((who == "left") ? "left_on IS NOT NULL" : "left_on IS NULL") unless who == "all"
        all = all.where(id: Member.where(group_id: group_id).select(:athlete_id)) if group_id
        if search.empty?
          all
        else
          all.where(
            "lower(name) LIKE :part ESCAPE '\\' OR lower(CAST(disciplines AS text)) LIKE :part ESCAPE '\\'",
            part: "%#{Athlete.sanitize_sql_like(search.downcase)}%"
          )
        end
      end
    end
  end
end
