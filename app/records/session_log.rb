# frozen_string_literal: true

module Windlass
  module Records
    # Finds sessions in the log: from an index, page by page, never by a walk through all.
    class SessionLog
      PAGE = 50
      # Of a symptom that is looked for: any of them.
      ANY_SYMPTOM = "any"

      # @param account [Account]
      # @param filter [Forms::LogForm]
      def initialize(account, filter)
        @account = account
        @filter = filter
      end

      # What it is sorted by, and how a page goes on after the last row of the one before. Each order has an index.
      Order = Value.define(:by, :after)
      ORDERS = {
        "newest" =>
          Order.new(
            by: {
              local_date: :desc,
              id: :desc
            },
            after: ->(_, day, id) { ["(sessions.local_date, sessions.id) < (?, ?)", day, id] }
          ),
        "oldest" =>
          Order.new(
            by: {
              local_date: :asc,
              id: :asc
            },
            after: ->(_, day, id) { ["(sessions.local_date, sessions.id) > (?, ?)", day, id] }
          ),
        "hardest" =>
          Order.new(
            by: {
              effort: :desc,
              local_date: :desc,
              id: :desc
            },
            after: ->(*last) { ["(sessions.effort, sessions.local_date, sessions.id) < (?, ?, ?)", *last] }
          )
      }.freeze

      # A session's verdict: what was decided of its day, or what is proposed.
      VERDICT = <<~SQL.squish.freeze
        COALESCE((SELECT decided FROM moves
          WHERE moves.prescription_id = sessions.prescription_id AND moves.local_date = sessions.local_date
            AND moves.taken_back_at IS NULL), sessions.proposed_verdict)
      SQL

      # Few days have these: they are looked up, where of the others the next page is found by going from day to day.
      RARE = %w[stop rest].freeze
      LOOKED_UP = <<~SQL.squish.freeze
        sessions.id IN (
          SELECT own.id FROM moves
            JOIN sessions own ON own.prescription_id = moves.prescription_id AND own.local_date = moves.local_date
            WHERE moves.decided = :verdict AND moves.taken_back_at IS NULL
          UNION SELECT own.id FROM sessions own WHERE own.proposed_verdict = :verdict AND NOT EXISTS (
            SELECT 1 FROM moves WHERE moves.prescription_id = own.prescription_id
              AND moves.local_date = own.local_date AND moves.taken_back_at IS NULL))
      SQL

      # @return [ActiveRecord::Relation] in the order that was asked for, from where the page begins
      def page = from(@filter.after).limit(PAGE + 1)

      # @param last [Array(Float, Date, Integer), nil] effort, day and number of the last row before
      def from(last) = last ? all.where(order.after.call(*last)) : all

      # @return [ActiveRecord::Relation] all that is asked for, each with its `verdict`
      def all
        found = @account.of(Session.run).order(order.by)
        found = found.where.not(effort: nil) if order.by.key?(:effort)
        found = found.where(discarded_at: nil) unless @filter.discarded
        %i[athlete_id protocol place].each do |column|
          found = found.where(column => @filter.public_send(column)) if @filter.public_send(column)
        end
        found = found.where(local_date: @filter.from..) if @filter.from
        found = found.where(local_date: ..@filter.to) if @filter.to
        said(judged(found)).select("sessions.*", "#{VERDICT} AS verdict", "#{Session::ALONE} AS alone")
      end

      private

      def order = ORDERS.fetch(@filter.order || ORDERS.keys.first)

      def judged(found)
        return found if @filter.verdict.nil?

        if RARE.include?(@filter.verdict)
          found.where(LOOKED_UP, verdict: @filter.verdict)
        else
          found.where("#{VERDICT} = ?", @filter.verdict)
        end
      end

      def said(found)
        found = found.where("symptoms <> '[]'") if @filter.symptom
        found = found.where("CAST(symptoms AS text) LIKE ?", "%\"#{@filter.symptom}\"%") if @filter.symptom &&
          @filter.symptom != ANY_SYMPTOM
        if @filter.search
          found.where("note LIKE ? ESCAPE '\\'", "%#{Session.sanitize_sql_like(@filter.search)}%")
        else
          found
        end
      end
    end
  end
end
