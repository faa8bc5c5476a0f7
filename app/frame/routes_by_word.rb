# frozen_string_literal: true

module Windlass
  # Which routes are tried for an address: those that begin with the same word. Sinatra tries one after the other, and
  # there are more than a hundred of each verb. Registered by the web application.
  module RoutesByWord
    # What a route surely begins with; of one that begins otherwise nothing is known, and it is always tried.
    WORD = %r{\A/([\w.-]*)(?=/|\z)}

    # A class of routes as Sinatra reads it.
    Tried = Struct.new(:routes, :superclass)

    def self.registered(app) = app.helpers(Choice)

    # @param routes [Array<Array>] of one verb, as Sinatra keeps them: the pattern comes first
    # @return [Hash{String => Array<Array>}] by word, each in the order of all; any other word gets what is always tried
    def self.of(routes)
      words = routes.map { |pattern, *| pattern.to_s[WORD, 1] }
      tried = ->(word) { routes.zip(words).filter_map { |route, own| route if own.nil? || own == word } }
      Hash.new(tried.call(nil)).update(words.compact.uniq.to_h { |word| [word, tried.call(word)] }).freeze
    end

    module Choice
      private

      def route!(base = settings, pass_block = nil)
        super(base.respond_to?(:routes_of) ? base.routes_of(request) : base, pass_block)
      end
    end

    # @param request [Rack::Request]
    # @return [Tried, self] all where the address spells its first word in another way
    def routes_of(request)
      word = request.path_info[WORD, 1]
      return self if word.nil?

      verb = request.request_method
      Tried.new({verb => by_word(verb)[word]}, superclass)
    end

    private

    # Anew where a route was added.
    def by_word(verb)
      all = routes.fetch(verb, [])
      @by_word ||= {}
      known = @by_word[verb]
      return known.last if known&.first == all.size

      (@by_word[verb] = [all.size, RoutesByWord.of(all)]).last
    end
  end
end
