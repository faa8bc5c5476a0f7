# frozen_string_literal: true

module Windlass
  module Routes
    # What makes the application one that is installed, and what is taken along for a time without a network.
    module Offline
      MANIFEST = {
        name: "Windlass",
        short_name: "Windlass",
        start_url: "/",
        scope: "/",
        display: "standalone",
        background_color: "#f4f1ea",
        theme_color: "#0e1820",
        description: "Breath-hold training: screens, measures, doses, runs and judges.",
        icons: [{src: Assets.path("icon.svg"), sizes: "any", type: "image/svg+xml", purpose: "any"}]
      }.freeze
      GENERATION = "windlass-#{Assets::DIGEST}"

      def self.worker = File.read(Assets::FILES.fetch("js/service_worker.js"))

      # @param taken [Array<Actions::TakeAlong::Taken>]
      # @return [Hash] for the page's script
      def self.decks(taken, today)
        decks = taken.reject(&:refused).map { |one| {name: one.name, title: one.title, path: one.path} }
        {decks: decks, today: today.iso8601, generation: GENERATION}
      end

      def self.registered(app)
        app.get("/manifest.webmanifest", may: :anyone) do
          content_type "application/manifest+json"
          JsonText.of(MANIFEST)
        end

        app.get("/sw.js", may: :anyone) do
          content_type "text/javascript"
          "self.WINDLASS = " \
          "#{JsonText.of(parts: Assets.parts, generation: GENERATION)};\n#{Offline.worker}"
        end

        # A coach's own words, in the voices that there are.
        app.get("/words/:voice/:name.wav", may: :decks) do
          content_type "audio/wav"
          cache_control :private, :immutable, max_age: 31_536_000
          Records::OwnWords.find_by!(name: said(:name), voice: said(:voice)).wave
        end

        app.post("/take-along", may: :runs) do
          taken = Actions::TakeAlong.call(account, listed(:prescription), now: now)
          erb :"offline/take", locals: {title: "Take along", taken: taken, data: Offline.decks(taken, today)}
        end
      end
    end
  end
end
