# frozen_string_literal: true

module Windlass
  module Presenters
    # What the log may be filtered by, and what it is filtered by now.
    class LogFilter
      # Sessions that are looked at for names of places.
      NEWEST = 300

      # @param account [Records::Account]
      # @param form [Forms::LogForm]
      def initialize(account, form)
        @account = account
        @form = form
      end

      # @return [String] what is filtered, in one line: `Filter: Ada Quill, Ease, from 2026-03-01`
      def filtered
        chosen =
          {
            athlete_id: athletes,
            protocol: protocols,
            verdict: verdicts,
            symptom: symptoms
          }.filter_map { |field, choices| choices.to_h(&:reverse)[@form.text_at(field)] }
        said =
          {from: "from", to: "to", place: "at", search: "note with"}.filter_map do |field, words|
            "#{words} #{@form.text_at(field)}" unless @form.text_at(field).to_s.empty?
          end
        ["Filter", (chosen + said).join(", ").then { |all| all.empty? ? nil : all }].compact.join(": ")
      end

      def athletes = @athletes ||= @account.athletes.by_name.pluck(:name, :id).map { |name, id| [name, id.to_s] }

      # @return [Array<Array(String, String)>] of those that were ever prescribed
      def protocols
        @protocols ||=
          @account.of(Records::Prescription)
            .distinct
            .pluck(:protocol, :own_name)
            .map { |id, own_name| [(own_name if Protocols::Blocks.id?(id)) || Protocols.find(id).name, id] }
            .uniq(&:last)
            .sort
      end

      def verdicts = VerdictWords::WORDS.map { |verdict, words| [words, verdict.to_s] }

      # @return [Array<String>] of the newest sessions, to choose from
      def places =
        @account.of(Records::Session)
          .where.not(place: "")
          .order(local_date: :desc)
          .limit(NEWEST)
          .pluck(:place)
          .uniq
          .sort

      def orders = Forms::LogForm::ORDERS

      def symptoms =
        [
          ["any", Records::SessionLog::ANY_SYMPTOM],
          *Progression::Symptoms::ALL.map { |symptom, words| [words.capitalize, symptom.to_s] }
        ]
    end
  end
end
