# frozen_string_literal: true

require "nokogiri"
require "rack/mock"

module Bench
  # Sends forms as a browser does: with all that stands in the form of a page, and what is typed over it.
  class FilledForms
    # A request that is ready to be sent.
    Request = Struct.new(:path, :options)

    # @param app [#call]
    def initialize(app)
      @server = Rack::MockRequest.new(app)
      answer = @server.get("/token", "HTTP_HOST" => "127.0.0.1")
      @cookie = answer["set-cookie"][/\A[^;]+/]
      @token = JSON.parse(answer.body)["token"]
    end

    # @param path [String] where it is sent
    # @param from [String, nil] the page with the form; nil: a button alone
    # @param typed [Hash] over what stands there
    # @return [Request]
    # @raise [RuntimeError] where the page has no such form
    def form(path, from: nil, typed: {})
      Request.new(
        path,
        {
          params: {
            **(from ? standing(path, from) : {}),
            "authenticity_token" => @token,
            # Whoever coaches themselves is asked twice: what is measured is the second press.
            Windlass::Routes::Twice::SURE => "yes",
            **typed.transform_keys(&:to_s)
          }
        }
      )
    end

    # @return [Request] what a script sends
    def json(path, body) =
      Request.new(
        path,
        {:input => JSON.generate(body), "CONTENT_TYPE" => "application/json", "HTTP_X_CSRF_TOKEN" => @token}
      )

    # @return [Rack::MockResponse]
    def send(request) =
      @server.post(request.path, "HTTP_HOST" => "127.0.0.1", "HTTP_COOKIE" => @cookie, **request.options)

    private

    def standing(path, from)
      page = Nokogiri.HTML5(@server.get(from, "HTTP_HOST" => "127.0.0.1", "HTTP_COOKIE" => @cookie).body)
      form =
        page.at_css("form[action='#{path}']") || page.css("form").find { |one| one.at_css("[formaction='#{path}']") } ||
        raise("#{from} has no form that is sent to #{path}")
      fields =
        form
          .css("input[name], select[name], textarea[name]")
          .filter_map { |field| value(field)&.then { |value| [field["name"], value] } }
      fields
        .group_by(&:first)
        .to_h { |name, some| [name, name.end_with?("[]") ? some.map(&:last) : some.last.last] }
        .transform_keys { |name| name.delete_suffix("[]") }
    end

    def value(field)
      case field.name
      when "textarea"
        field.text
      when "select"
        (field.at_css("option[selected]") || field.at_css("option"))&.then { |option| option["value"] || option.text }
      else
        standing_input(field)
      end
    end

    def standing_input(field)
      return if %w[submit button file].include?(field["type"])
      return field["value"].to_s unless %w[checkbox radio].include?(field["type"])

      field["value"] || "on" if field["checked"]
    end
  end
end
