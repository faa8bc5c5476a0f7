# frozen_string_literal: true

require "erubi"
require "json"
require "rack/session"
require "securerandom"
require "sinatra/base"

require_relative "actions"
require_relative "assets"
require_relative "request_parameters"
require_relative "download"
require_relative "forms"
require_relative "presenters"
require_relative "log_files"
require_relative "imports"
require_relative "papers"
require_relative "programme_calendar"
require_relative "fault_log"
require_relative "error_pages"
require_relative "security"
require_relative "view_helpers"
require_relative "morning_links"
require_relative "routes/today"
require_relative "routes/athletes"
require_relative "routes/screenings"
require_relative "routes/control_pauses"
require_relative "routes/mornings"
require_relative "routes/library"
require_relative "routes/own_protocols"
require_relative "routes/measures"
require_relative "routes/days"
require_relative "routes/colds"
require_relative "routes/imports"
require_relative "routes/place"
require_relative "routes/moves"
require_relative "routes/rulebook"
require_relative "routes/prescriptions"
require_relative "routes/sessions"
require_relative "routes/squads"
require_relative "routes/offline"
require_relative "routes/groups"
require_relative "routes/programmes"
require_relative "routes/planned"
require_relative "routes/log"
require_relative "routes/corrections"
require_relative "routes/papers"
require_relative "routes/water"
require_relative "routes/suspensions"
require_relative "routes/bench"

module Windlass
  # The web application: settings, middleware and error pages. What it does stands in routes/.
  class Web < Sinatra::Base
    set :root, __dir__
    set :views, File.join(__dir__, "views")
    set :static, false
    set :erb, escape_html: true
    set :show_exceptions, false
    set :raise_errors, false
    # {FaultLog} writes them.
    set :dump_errors, false
    set :environment, ENV.fetch("WINDLASS_ENV", "production").to_sym
    # Time is an argument everywhere; here it enters.
    set :clock, Time

    register Security
    helpers ViewHelpers

    register Routes::Today
    register Routes::Athletes
    register Routes::Screenings
    register Routes::ControlPauses
    register Routes::Mornings
    register Routes::Library
    register Routes::OwnProtocols
    register Routes::Measures
    register Routes::Days
    register Routes::Colds
    register Routes::Imports
    register Routes::Place
    register Routes::Moves
    register Routes::Rulebook
    register Routes::Prescriptions
    register Routes::Sessions
    register Routes::Squads
    register Routes::Offline
    register Routes::Groups
    register Routes::Programmes
    register Routes::Planned
    register Routes::Log
    register Routes::Corrections
    register Routes::Papers
    register Routes::Water
    register Routes::Suspensions
    register Routes::Bench

    # A deck that was open for weeks asks for a new one.
    get("/token") do
      content_type :json
      JSON.generate(token: csrf_token)
    end

    helpers do
      # Said on the next page. undo: address that takes it back. further: address of the next step.
      def tell(text, undo: nil, further: nil) =
        session[:notice] = {"text" => text, "undo" => undo, "further" => further}.compact

      def now = @now ||= settings.clock.now

      def today = now.to_date

      # @yieldparam out [#<<] gets a long file, part after part
      def download(&making)
        return stream(&making) unless Download.possible?(env)

        headers Download.headers(env, &making)
        # The server leaves the body alone, and nobody reckons its length.
        body [].each
      end

      def account = @account ||= Records::Account.first

      # @param place [String] address of the page
      # @return [Presenters::AthleteFilter] whom it is about, as it was asked for
      def athlete_filter(place)
        Presenters::AthleteFilter.new(account, place, group: said(:group), number: said(:page))
      end

      def athlete(id = params[:athlete_id]) = find_in(account.athletes, id)

      # The number in an address: whatever else stands there is not found.
      def find_in(records, id = params[:id])
        records.find(Integer(id.to_s.scrub, 10))
      rescue ArgumentError, RangeError
        raise ActiveRecord::RecordNotFound
      end
    end

    error ActiveRecord::RecordNotFound, Sinatra::NotFound do
      status 404
      erb :"errors/not_found", locals: {title: "Not found"}
    end

    # What no page of ours would send.
    error Sinatra::BadRequest, Rack::QueryParser::ParamsTooDeepError, Rack::Multipart::Error, EOFError do
      self.params = {}
      refuse(400, "Not understood", "What was sent can not be read. Nothing was changed.")
    end

    error InvalidInput do
      FaultLog.refusal(422, request)
      status 422
      if json_wanted?
        next JSON.generate(errors: {request: env["sinatra.error"].faults.join("; ")}).tap { content_type :json }
      end

      erb :"errors/faults", locals: {title: "Not read", faults: env["sinatra.error"].faults}
    end

    error(Error) { refuse(422, "Not possible", env["sinatra.error"].message) }

    error ActiveRecord::StaleObjectError, ActiveRecord::RecordNotUnique do
      refuse(
        409,
        "Changed meanwhile",
        "Somebody else changed this while it was open here, perhaps you in another tab. Load it anew: nothing was " \
        "written now."
      )
    end

    error(*ErrorPages::NOTHING_WRITTEN) { refuse_writing(env["sinatra.error"]) }

    # The disk may be full before a database is asked: of what was uploaded, or of the log.
    error(Errno::ENOSPC) { refuse(*ErrorPages::FULL) }

    error { fail_with(env["sinatra.error"]) }
  end
end
