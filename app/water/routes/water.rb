# frozen_string_literal: true

module Windlass
  module Routes
    # Dives are logged with a surface clock; depth is never planned.
    module Water
      def self.registered(app)
        app.helpers Helpers

        app.get("/water", may: :coaches) do
          water_page(Presenters::WaterPage.new(account, athlete_filter("/water"), now: now))
        end

        app.post("/water", may: :coaches) do
          pairs = Actions::PlanWater.call(account, chosen_pairs, clear: listed(:clear), now: now)
          redirect to("/water/clock?pairs=#{pairs.map { |pair| pair.map(&:id).join("-") }.join("_")}&margin=#{margin}"),
            303
        rescue Error => error
          status 422
          water_page(
            Presenters::WaterPage.new(account, athlete_filter("/water"), now: now, pairs: chosen_pairs),
            refusal: error.message
          )
        end

        app.get("/water/clock", may: :coaches) do
          pairs =
            said(:pairs)
              .split("_")
              .first(Presenters::WaterPage::MOST_PAIRS)
              .map { |pair| pair.split("-").first(2).map { |id| athlete(id) } }
          redirect to("/water"), 303 if pairs.empty?

          erb :"water/clock",
            layout: :deck_layout,
            locals: {
              title: "Surface clock",
              page: Presenters::SurfaceClock.new(account, pairs, margin: margin, now: now)
            }
        end

        # Dives of one athlete, out and in.
        app.get("/athletes/:athlete_id/dives.uddf", may: :coaches) do
          content_type "application/xml"
          attachment "windlass-dives-#{today}.uddf"
          Formats::Uddf.write(athlete.name, Records::Dive.where(athlete_id: athlete.id).in_order.map(&:to_core))
        end

        app.post("/athletes/:athlete_id/dives", may: :coaches) do
          whose = athlete.id
          Consents.required!(athlete, today)
          take_in(Windlass::Imports::DivesFile, uploaded_bytes(:dives), athlete_id: whose)
        end

        app.get("/athletes/:athlete_id/dives", may: :coaches) do
          erb :"water/dives",
            locals: {
              title: "Dives, #{athlete.name}",
              athlete: athlete,
              dives: Records::Dive.where(athlete_id: athlete.id).order(down_at: :desc).limit(200).to_a,
              discarded: Records::Dive.discarded.where(athlete_id: athlete.id).order(down_at: :desc).to_a
            }
        end

        app.post("/dives", may: :coaches) do
          content_type :json
          form = Forms::DiveForm.parse(json_body || {}, now: now)
          halt 422, JsonText.of(errors: form.errors) unless form.valid?

          JsonText.of(kept: Actions::LogDive.call(athlete(form.values[:athlete_id]), form, now: now).uuid)
        end
      end

      module Helpers
        # More than is needed, never less.
        def margin =
          Presenters::WaterPage::MARGINS.keys.find { |one| one.to_s == said(:margin) } ||
            Presenters::WaterPage::MARGINS.keys.first

        def chosen_pairs =
          if params[:pair].is_a?(Hash)
            params[:pair].select do |id, number|
              id.match?(/\A\d{1,15}\z/) && number.is_a?(String) && number.match?(/\A[1-4]?\z/)
            end
          else
            {}
          end

        def water_page(page, refusal: nil) =
          erb(:"water/index", locals: {title: "Water", page: page, refusal: refusal})
      end
    end
  end
end
