# frozen_string_literal: true

module Windlass
  # What every view may call. Words and numbers come from presenters.
  module ViewHelpers
    def asset(path) = Assets.path(path)

    # @return [String] a partial's markup
    # @param locals [Hash] what the partial may leave out
    def partial(name, locals: {}, **needed) = erb(name, layout: false, locals: needed.merge(locals: locals))

    def csrf_field = partial(:"partials/csrf")

    # JSON that is safe inside a script element.
    def json_data(object) = JSON.generate(object).gsub("<", '\u003c')

    # @param paths [Array<String>] under which the pages of one tab stand
    def current_page(*paths) = (paths.any? { |path| request.path_info == path || (path != "/" && request.path_info.start_with?(path)) }) ? "page" : nil

    # @return [Boolean] htmx wants a part of the page only
    def part? = request.env["HTTP_HX_REQUEST"] == "true"

    # @param keys [Hash{String => String}] of a screen
    # @return [Boolean] letters or figures are among them: those can be switched off
    def letters?(keys) = keys.keys.any? { |key| key.match?(/\A[A-Z0-9](\W|\z)/) }
  end
end
