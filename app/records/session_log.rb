# frozen_string_literal: true

module Windlass
  module Records
    # Finds sessions in the log: from an index, page by page, never by a walk through all.
    class SessionLog
      PAGE = 50

      # @param account [Account]
      # @param filter [Forms::LogForm]
      def initialize(account, filter)
        @account = account
        @filter = filter
      end

      # @return [ActiveRecord::Relation] newest first, from where the page begins
      def page = all.then { |found| @filter.after ? found.where("(sessions.local_date, sessions.id) < (?, ?)", *@filter.after) : found }.limit(PAGE + 1)

      # @return [ActiveRecord::Relation] all that is asked for, newest first
      def all
        found = Session.run.where(account_id: @account.id).order(local_date: :desc, id: :desc)
        found = found.where(discarded_at: nil) unless @filter.discarded
        [:athlete_id, :protocol].each { |column| found = found.where(column => @filter.public_send(column)) if @filter.public_send(column) }
        found = found.where(local_date: @filter.from..) if @filter.from
        found = found.where(local_date: ..@filter.to) if @filter.to
        said(judged(found))
      end

      private

      def judged(found) = @filter.verdict ? found.where(proposed_verdict: @filter.verdict) : found

      def said(found)
        found = found.where("symptoms <> '[]'") if @filter.symptom
        found = found.where("symptoms LIKE ?", "%\"#{@filter.symptom}\"%") if @filter.symptom && @filter.symptom != Forms::LogForm::ANY
        @filter.search ? found.where("note LIKE ?", "%#{Session.sanitize_sql_like(@filter.search)}%") : found
      end
    end
  end
end
