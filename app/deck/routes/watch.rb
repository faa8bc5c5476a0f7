# frozen_string_literal: true

module Windlass
  module Routes
    # A second screen by its link: cue, figure and line, without keys, and without a sign-in.
    module Watch
      def self.registered(app)
        app.helpers Helpers

        app.get("/watch/:token.svg", may: :anyone) do
          watched
          follow_code("/watch/#{said(:token)}")
        end

        app.get("/watch/:token/told", may: :anyone) { told(watched) }

        app.get("/watch/:token", may: :anyone) do
          follow_page(Presenters::FollowScreen.new(watched, path: "/watch/#{said(:token)}"))
        end
      end

      module Helpers
        def follow_links = FollowLinks.new(settings.session_secret, maker: person&.id)

        # @param followed [Records::Session, Records::Squad]
        # @return [Presenters::FollowLink]
        def follow_link(followed) = Presenters::FollowLink.new(follow_links.path(followed), base: request.base_url)

        # @return [Array<Records::Session>]
        def watched
          found = follow_links.sessions(house, said(:token), on: today)
          found.any? ? found : raise(Sinatra::NotFound)
        end
      end
    end
  end
end
