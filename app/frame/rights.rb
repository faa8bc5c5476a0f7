# frozen_string_literal: true

module Windlass
  # Closed unless opened: a route says which right it needs, and one that says none does not boot. Registered by the web
  # application.
  module Rights
    # The right of every route: `GET /athletes/:athlete_id` => :coaches.
    ROUTES = {}

    def self.registered(app)
      app.extend Asked
      app.helpers Helpers
      app.set(:may) { |right| Policies.fetch(right).then { |policy| condition { enter(policy) } } }
    end

    # Sees that every route names a right.
    module Asked
      def route(verb, path, options = {}, &block)
        right = options[:may] or raise Error, "#{verb} #{path} names no right: it is closed."
        ROUTES["#{verb} #{path.is_a?(Regexp) ? path.source : path}"] = right unless verb == "HEAD"
        super
      end
    end

    module Helpers
      # @return [Records::Account]
      def house = @house ||= Records::Account.house

      # @return [Sight] what of the house the person sees by the right of this route
      def account = @account ||= Sight.new(house, @policy)

      # @return [Records::Person, nil]
      def person
        return @person if defined?(@person)

        # Asked for by each request: of the class itself the statement is kept, a scope would be put together anew.
        id = env[SignIn::PERSON_ID]
        @person = id && Records::Person.find_by(id: id, status_id: Records::Person::OPEN)
      end

      # @return [String, nil] uuid of whom this page is for; what anybody may open is nobody's, and may be kept as such
      def whose_page = (person&.uuid unless @policy.nil? || @policy.public?)

      # @param right [Symbol]
      # @return [Boolean] this person has it; of whom is another question
      def may?(right) = Policies.fetch(right).new(person, on: today).allows?

      # Not found and not yours are answered alike.
      # @param policy [Class]
      # @return [Boolean] true: the route goes on
      def enter(policy)
        @policy = policy.new(person, on: today)
        Records::Doing.person = person
        return true if @policy.public?

        sign_in_first unless person
        raise Sinatra::NotFound unless @policy.allows?

        true
      end

      # @param right [Symbol] in place of that of the route, for what it shows
      def seeing(right)
        @policy = Policies.fetch(right).new(person, on: today)
        @account = nil
      end

      private

      # A page leads to the sign-in and comes back; a script is told.
      def sign_in_first
        redirect to("/setup"), 303 if Records::Person.none?
        if part? || json_wanted? || !request.get?
          halt 401,
            refuse(401, "Sign in", "Sign in first. Nothing was changed.")
        end

        session["login_redirect"] = request.fullpath if request.fullpath.match?(%r{\A/(?!/)})
        redirect to(env[SignIn::FIRST] || "/sign-in"), 303
      end
    end
  end
end
