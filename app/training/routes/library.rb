# frozen_string_literal: true

module Windlass
  module Routes
    # The library and the composer.
    module Library
      def self.registered(app)
        app.helpers Helpers

        app.get("/protocols", may: :coaches) do
          page =
            Presenters::Library.new(
              account,
              athlete: composed_for,
              discipline: said(:discipline),
              place: said(:place),
              search: said(:search)[0, 80],
              today: today
            )
          erb :"protocols/index", locals: {title: page.title, page: page, athletes: account.active_athletes.by_name}
        end

        app.get("/protocols/:id", may: :coaches) do
          family = Protocols.find(said(:id))
          form =
            if params.key?(:dose) || params.key?(:blocks)
              Forms::Composed.parse(params, protocol: family)
            else
              Forms::Composed.from(starting_dose(family), family)
            end
          composer(form, athlete: composed_for, own: own_composed)
        end

        # What Enter does, with scripts and without: shows what stands in the form, keeps nothing. A button of a session
        # of blocks adds, copies, moves or takes out a block; nothing else of what was typed changes.
        app.post("/protocols/:id", may: :coaches) do
          family = Protocols.find(said(:id))
          change, touched = Forms::BlockDeeds.of(said(:deed), typed_blocks, added: added_block)
          form = Forms::Composed.parse(params, protocol: family, **(change ? {change: change} : {}))
          composer(form, athlete: composed_for, own: own_composed, touched: touched, goes_on: goes_on?)
        end

        # Where a prescription was refused, a reload comes here.
        app.get("/protocols/:id/prescriptions", may: :coaches) { redirect to("/protocols/#{said(:id)}"), 303 }

        # A dose as it stands in the composer, for an athlete, without a name.
        app.post("/protocols/:id/prescriptions", may: :coaches) do
          form = Forms::Composed.parse(params, protocol: Protocols.find(said(:id)))
          next composer(form, athlete: composed_for, own: own_composed) unless form.valid?
          raise Error, "Choose for whom first, then prescribe it." unless composed_for

          prescribe_composed(form) do |own|
            prescribed(Actions::Prescribe.call(composed_for, form.protocol, own: own, now: now, ends: said(:ends).to_i))
          end
        end

        # The same dose for one session, beside the ladder that runs.
        app.post("/protocols/:id/once", may: :coaches) do
          form = Forms::Composed.parse(params, protocol: Protocols.find(said(:id)))
          next composer(form, athlete: composed_for, own: own_composed) unless form.valid?
          raise Error, "Choose for whom first, then run it once." unless composed_for

          prescribe_composed(form) do |own|
            redirect to(
                       "/prescriptions/#{Actions::Prescribe.once(composed_for, form.protocol, own: own, now: now).id}"
                     ),
              303
          end
        end

        app.get("/protocols/:id/once", may: :coaches) { redirect to("/protocols/#{said(:id)}"), 303 }
      end

      module Helpers
        # What is refused stays as it was typed, with the reason.
        def prescribe_composed(form)
          yield Actions::Prescribe::Composed.new(to_dose: form.dose)
        rescue Error => error
          composer(form, athlete: composed_for, own: own_composed, refusal: error.message)
        end

        def composed_for = said(:athlete_id).empty? ? nil : athlete

        def own_composed = said(:own).empty? ? nil : own_protocol(said(:own))

        def typed_blocks = params[:blocks].is_a?(Hash) ? params[:blocks] : {}

        # @return [Hash, nil] what is to be added, as it is typed: a family with its starting dose, or one of the
        #   coach's own
        def added_block
          id = said(:add)
          own = own_protocol(id.delete_prefix("own:")) if id.start_with?("own:")
          family = own ? own.to_protocol : Protocols::ALL.find { |one| one.id == id }
          if family && !family.is_a?(Protocols::Blocks)
            Forms::BlocksForm.block(family, own ? own.to_dose : starting_dose(family))
          end
        end

        def starting_dose(family)
          return {blocks: []} if family.is_a?(Protocols::Blocks)

          measures = composed_for&.to_values
          (measures && family.start(measures)) || family.start(Presenters::Nobody::MEASURES)
        end

        # Whoever adds a block, makes a series of it, or takes one out, adds the next.
        def goes_on? = said(:deed).start_with?("add", "remove", "series")

        def composer(form, athlete: nil, own: nil, touched: nil, goes_on: false, refusal: nil)
          page =
            Presenters::Composer.new(
              form,
              athlete: athlete,
              own: own,
              today: today,
              touched: touched,
              goes_on: goes_on,
              kept: form.protocol.is_a?(Protocols::Blocks) ? account.own_protocols.by_name : []
            )
          return partial(:"protocols/result", page: page, live: true) if part?

          refused = refusal || !form.valid?
          status 422 if refused && !page.blank? && touched.nil?
          erb :"protocols/compose",
            locals: {
              title: "Compose: #{page.title}",
              page: page,
              refusal: refusal,
              athletes: account.active_athletes.by_name
            }
        end
      end
    end
  end
end
