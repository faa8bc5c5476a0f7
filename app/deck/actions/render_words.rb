# frozen_string_literal: true

require "delayed_job_active_record"

module Windlass
  module Actions
    # Renders a coach's own words as they are saved, behind the page, where the synthesiser is installed. Without it
    # they are the browser's.
    module RenderWords
      # @param dose [Hash, nil] as composed
      # @param there [Boolean] the synthesiser is
      def self.later(dose, there: Synthesiser.there?)
        wanted = wanting(Timeline::Said.texts(dose.to_h))
        Delayed::Job.enqueue(Job.new(wanted)) if there && wanted.any?
      end

      # What came in with an archive, or before the synthesiser did.
      def self.missing
        call(
          [
            *Records::OwnProtocol.pluck(:dose),
            *Records::Prescription.open.where.not(own_dose: nil).pluck(:own_dose)
          ].flat_map { |dose| Timeline::Said.texts(Records::Record.dose(dose)) }.uniq
        )
      end

      # @param texts [Array<String>]
      def self.call(texts)
        return unless Synthesiser.there?

        wanting(texts).each do |text|
          # Square brackets would be read as sounds.
          sounds = Spoken::Voices::ALL.to_h { |voice| [voice, Synthesiser.render(text.delete("[]"), voice)] }
          keep(text, sounds) if sounds.values.all?
        end
      end

      def self.keep(text, sounds)
        rows =
          sounds.map do |voice, samples|
            {
              name: Spoken::Clips.own_name(text),
              voice: voice.name,
              ms: Synthesiser.ms(samples),
              sound: Formats::MuLaw.encode(samples)
            }
          end
        Records::OwnWords.insert_all(rows, unique_by: %i[name voice])
      end

      def self.wanting(texts)
        there = Records::OwnWords.where(name: texts.map { |text| Spoken::Clips.own_name(text) }).distinct.pluck(:name)
        texts.reject { |text| there.include?(Spoken::Clips.own_name(text)) }
      end
      private_class_method :keep, :wanting

      # What the queue holds.
      Job = Struct.new(:texts) { def perform = RenderWords.call(texts) }
    end
  end
end
