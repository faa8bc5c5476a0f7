# frozen_string_literal: true

require "erb"

module Windlass
  # What every view may call. Words and numbers come from presenters.
  module ViewHelpers
    def asset(path) = Assets.path(path)

    # @return [Array<String>] addresses of the scripts that a page acts with
    def acting(markup) = Assets.acting(markup)

    # @return [String] a partial's markup
    # @param locals [Hash] what the partial may leave out
    def partial(name, locals: {}, **needed) = erb(name, layout: false, locals: needed.merge(locals: locals))

    def csrf_field = partial(:"partials/csrf")

    # JSON that is safe inside a script element.
    def json_data(object) = JsonText.of(object).gsub("<", '\u003c')

    # Places of the menu: address, name, and under which paths their pages stand. On a phone the last ones stand behind
    # *More*.
    PLACES = [%w[/ Today], %w[/athletes Athletes], %w[/programme Programme /groups /planned], %w[/log Log]].freeze
    FURTHER_PLACES = [%w[/water Water], %w[/protocols Protocols /own-protocols], %w[/bench Bench]].freeze

    # @return [String] markup: a name that leads to the sheet, where this person may open one
    def athlete_link(id, name, look: nil)
      return ERB::Util.html_escape(name) unless may?(:coaches)

      %(<a#{%( class="#{look}") if look} href="/athletes/#{Integer(id)}">#{ERB::Util.html_escape(name)}</a>)
    end

    # @return [Array] places of the menu that this person may open
    def places = may?(:coaches) ? PLACES : PLACES.first(1)

    # @return [Array] those behind *More* on a phone
    def further_places = may?(:coaches) ? FURTHER_PLACES : []

    # @param paths [Array<String>] under which the pages of one tab stand
    def current_page(*paths) =
      if paths.any? { |path| request.path_info == path || (path != "/" && request.path_info.start_with?(path)) }
        "page"
      end

    # @return [Boolean] htmx wants a part of the page only
    def part? = request.env["HTTP_HX_REQUEST"] == "true"

    # What the keys of this screen do, besides `?`: a view says it, its layout shows it.
    # @param keys [Hash{String => String}]
    def keys(keys) = @keys_said = keys

    # @return [Hash{String => String}]
    def keys_said = @keys_said || {}

    # A fault beside its field stands at the top of the page, too.
    # @param field [Symbol] the id of what is to be corrected
    # @return [String, nil]
    def note_fault(form, field, label)
      fault = form.fault(field) or return
      "#{label}: #{fault}".tap { |words| faults_noted << [field.to_s.tr("[", "-").delete("]"), words] }
    end

    # @param field [Symbol]
    # @param hint [Boolean] one stands below it
    # @return [String] an attribute, of what is there only
    def described_by(form, field, hint: false)
      ids = [("fault-#{field}" if form.fault(field)), ("hint-#{field}" if hint)].compact
      %(aria-describedby="#{ids.join(" ")}") if ids.any?
    end

    # @return [Array<Array(String, String)>] of the view that was rendered
    def faults_noted = @faults_noted ||= []

    # @return [String] begins with what is wrong, where something is: a title is what is read out first
    def titled(title) = faults_noted.any? ? "To correct: #{title}" : title

    # @param keys [Hash{String => String}] of a screen
    # @return [Boolean] letters or figures are among them: those can be switched off
    def letters?(keys) = keys.keys.any? { |key| key.match?(/\A[A-Z0-9](\W|\z)/) }
  end
end
