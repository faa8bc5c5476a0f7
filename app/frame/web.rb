# frozen_string_literal: true

require "erubi"
require "json"
require "securerandom"
require "sinatra/base"

module Windlass
  # The web application: settings, middleware and error pages. What it does stands in routes/.
  class Web < Sinatra::Base
    set :root, Database::ROOT
    # Each room has its views.
    VIEWS =
      Dir[File.join(Database::ROOT, "app/*/views/**/*.erb")].to_h { |path|
        [path[%r{/views/(.*)\.erb\z}, 1], path]
      }.freeze
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
    register Rights
    register RoutesByWord
    helpers ViewHelpers

    # Every file of routes, in whatever room.
    Listed.in(File.join(Database::ROOT, "app/*/routes"), Module, loader: ROOMS).each { |routes| register routes }

    # A deck that was open for weeks asks for a new one.
    get("/token", may: :anyone) do
      content_type :json
      JsonText.of(token: csrf_token)
    end

    after do
      route = env["sinatra.route"].to_s
      if response.status < 400 && Trace.deed?(route)
        Trace.write(
          route, request.path_info,
          person: doer || person, whose: whose, device: env[SignIn::DEVICE], now: now
        )
      end
      Records::Doing.person = nil
    end

    helpers do
      # Said on the next page. undo: address that takes it back. further: address of the next step.
      def tell(text, undo: nil, further: nil) =
        session[:notice] = {"text" => text, "undo" => undo, "further" => further}.compact

      # A secret is shown once, on the page that follows.
      # @param kind [String] what it is of: `letter`
      # @param whose [Integer, nil] on whose page alone
      def show_once(kind, secret, whose: nil) = session["once #{kind}"] = [whose, secret]

      # @return [String, nil]
      def shown_once(kind, whose: nil) =
        session.delete("once #{kind}")&.then { |of, secret| secret if of == whose }

      # @param name [String, Symbol] `water/clock`
      def find_template(_views, name, _engine) = VIEWS[name.to_s]&.then { |path| yield path }

      def now = @now ||= settings.clock.now

      def today = now.to_date

      # @yieldparam out [#<<] gets a long file, part after part
      def download(&making)
        return stream(&making) unless Download.possible?(env)

        headers Download.headers(env, &making)
        # The server leaves the body alone, and nobody reckons its length.
        body [].each
      end

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
        next JsonText.of(errors: {request: env["sinatra.error"].faults.join("; ")}).tap { content_type :json }
      end

      erb :"errors/faults", locals: {title: "Not read", faults: env["sinatra.error"].faults}
    end

    error(SignedLinks::Ended) { refuse(410, "Ended", env["sinatra.error"].message) }

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
