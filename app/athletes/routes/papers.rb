# frozen_string_literal: true

module Windlass
  module Routes
    # What is printed, and what is listened to.
    module Papers
      def self.registered(app)
        app.helpers Helpers

        app.get("/prescriptions/:id/card.pdf", may: :runs) do
          size =
            Windlass::Papers::Card::SIZES.key?(said(:size)) ? said(:size) : Windlass::Papers::Card::SIZES.keys.first
          pdf(Windlass::Papers::Card.new(dosed, size: size), "card")
        end

        app.get("/prescriptions/:id/practice.wav", may: :runs) do
          sheet = dosed
          content_type "audio/wav"
          attachment "windlass-practice-#{today}.wav"
          track =
            Formats::PracticeWav.new(sheet.heard(words: said(:tones).empty?), own: Records::OwnWords.method(:samples))
          download { |out| track.write { |bytes| out << bytes } }
        end

        app.get("/prescriptions/:id/beat.mid", may: :runs) do
          sheet = dosed
          content_type "audio/midi"
          attachment "windlass-beat-#{today}.mid"
          Formats::BeatMidi.new(sheet.timeline, sheet.title).to_s
        end

        app.get("/athletes/:athlete_id/letter.pdf", may: :coaches) do
          pdf(Windlass::Papers::ClinicianLetter.new(athlete, now: now), "letter")
        end

        app.get("/athletes/:athlete_id/report.pdf", may: :coaches) do
          pdf(
            Windlass::Papers::Report.new(
              Presenters::AthleteSheet.new(athlete, now: now),
              Presenters::Steps.new(athlete, since: today - Presenters::DaysChart::DAYS)
            ),
            "report"
          )
        end

        app.get("/sessions/:uuid/incident.pdf", may: :coaches) do
          pdf(Windlass::Papers::IncidentReport.new(Presenters::SessionSheet.new(session_record)), "incident")
        end
      end

      module Helpers
        # @return [Presenters::PrescriptionSheet] of what has a dose today
        def dosed
          Presenters::PrescriptionSheet
            .new(prescription, now: now)
            .tap { |sheet| raise Error, sheet.hindrance || "No dose today: a measure is missing." unless sheet.dosed? }
        end

        def pdf(paper, name)
          content_type "application/pdf"
          attachment "windlass-#{name}-#{today}.pdf"
          paper.to_s
        end
      end
    end
  end
end
