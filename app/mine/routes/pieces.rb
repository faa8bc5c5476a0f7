# frozen_string_literal: true

module Windlass
  module Routes
    # What somebody said on their phone without a network. Each piece has a number of its own, so that sending it twice
    # changes nothing, and counts as said at the moment at which it was.
    module Pieces
      def self.registered(app)
        app.helpers Helpers

        # The page that stands for all others while the server is away: it names nobody.
        app.get("/along", may: :anyone) do
          erb :"mine/along", locals: {title: "Without a network", page: Presenters::Along.new(today: today)}
        end

        app.post("/mine/pieces/felt", may: :own) do
          take_piece do |sent, at, day|
            form = Forms::FeltForm.parse(sent.merge("felt_on" => day), today: at.to_date)
            consenting(own_athlete) unless !form.valid? || form.stops?
            [form, -> { Actions::TellComplaint.call(own_athlete, form.values, now: at) }]
          end
        end

        app.post("/mine/pieces/morning", may: :own) do
          consenting(own_athlete)
          take_piece do |sent, at, day|
            form = Forms::MorningForm.parse(sent.merge("taken_on" => day), today: at.to_date)
            [form, -> { Actions::TakeControlPause.morning(own_athlete, form.values, now: at) }]
          end
        end

        # What was said that day already stays so.
        app.post("/mine/pieces/day", may: :own) do
          consenting(own_athlete)
          take_piece do |sent, at, _day|
            form = Forms::DayForm.parse(sent)
            [form, -> { Actions::KeepDay.add(own_athlete, form.values, now: at) }]
          end
        end
      end

      module Helpers
        # @yieldparam sent [Hash] as it came
        # @yieldparam at [Time] when it was said
        # @yieldparam day [String] the day that it is of
        # @yieldreturn [Array(Forms::Form, Proc)] what was said, and what keeps it
        def take_piece
          content_type :json
          sent = json_body
          sent = {} unless sent.is_a?(Hash)
          about = Forms::PieceForm.parse(sent)
          form, keep = yield(sent, about.at(now), about.day(now)) if about.valid?
          faults = about.errors.merge(form&.errors || {})
          halt 422, JsonText.of(errors: faults) if faults.any?

          keep.call
          JsonText.of(kept: sent["uuid"])
        end
      end
    end
  end
end
