# frozen_string_literal: true

module Windlass
  # What is answered where a request can not be done: in the words of the page, with the policy of all pages, and with
  # what was typed, so that nothing has to be typed again.
  module ErrorPages
    BUSY = [503, "Busy", "Somebody else is writing just now, so nothing was written."].freeze
    AWAY = [503, "The database is away", "The database does not answer just now, so nothing was written."].freeze
    FULL = [
      507,
      "The disk is full",
      "Nothing was written. Trying again helps only once there is room on the disk of this machine."
    ].freeze
    FIXED = [
      500,
      "Nothing can be written",
      "The database is read-only. Trying again helps only once that is changed."
    ].freeze
    # What databases say, by the names of their errors: only one of them is there. Whether trying again helps stands in
    # the code.
    WRITING = {
      "SQLite3::BusyException" => BUSY,
      "SQLite3::LockedException" => BUSY,
      "ActiveRecord::LockWaitTimeout" => BUSY,
      "ActiveRecord::Deadlocked" => BUSY,
      "ActiveRecord::SerializationFailure" => BUSY,
      "ActiveRecord::ConnectionTimeoutError" => BUSY,
      "ActiveRecord::ConnectionNotEstablished" => AWAY,
      "ActiveRecord::ConnectionFailed" => AWAY,
      "SQLite3::FullException" => FULL,
      "PG::DiskFull" => FULL,
      "SQLite3::ReadOnlyException" => FIXED,
      "PG::ReadOnlySqlTransaction" => FIXED,
      "SQLite3::IOException" => [
        500,
        "Nothing can be written",
        "The disk of this machine gave an error. Trying again helps only once it is mended."
      ],
      "SQLite3::CantOpenException" => [
        500,
        "Nothing can be written",
        "The file of the database can not be opened. Trying again helps only once it can."
      ]
    }.freeze
    NOTHING_WRITTEN = [ActiveRecord::StatementInvalid, ActiveRecord::ConnectionNotEstablished].freeze
    # Hidden fields of a form that is sent again.
    MOST_FIELDS = 400
    # Stands in a form that was sent again by itself: that is done once, and what is said then is said to the person.
    SENT_AGAIN = "sent_again"

    # @param value [Object] parameters
    # @return [Array<Array(String, String)>] names and values of fields
    def self.fields(value, name = nil)
      case value
      when Hash
        value.flat_map { |key, inner| fields(inner, name ? "#{name}[#{key}]" : key.to_s) }
      when Array
        value.flat_map { |inner| fields(inner, "#{name}[]") }
      else
        [[name, value.to_s]]
      end
    end

    # Of a transaction that could not even be taken back the first error is the one that says why.
    # @return [Array<Exception>] the error, and what it came of
    def self.causes(error) = [error].tap { |all| all << all.last.cause while all.last.cause && all.size < 10 }.reverse

    # @return [Array, nil] what is answered where nothing could be written
    def self.of_writing(error) =
      WRITING.values_at(*causes(error).flat_map { |one| one.class.ancestors.map(&:name) }).compact.first

    # @return [Boolean] trying again helps
    def self.passing?(error) = of_writing(error)&.first == 503

    # Something that nobody expected: it has a name on the page, under which the log has all of it.
    def fail_with(error)
      id = SecureRandom.alphanumeric(8).upcase
      FaultLog.fault(id, request, error)
      status 500
      if json_wanted?
        return (
          JSON
            .generate(errors: {request: "Something failed here. Its name in the log is #{id}."})
            .tap { content_type :json }
        )
      end

      erb(:"errors/failed", locals: {title: "Something failed", id: id})
    end

    # Who sends JSON, or asks for it, reads no page.
    def json_wanted? =
      request.media_type == "application/json" || request.env["HTTP_ACCEPT"].to_s.start_with?("application/json")

    # A machine gets JSON, a person a page.
    def refuse(code, title, message, again: false)
      FaultLog.refusal(code, request)
      status code
      return [code, JsonText.of(errors: {request: message})].last.tap { content_type :json } if json_wanted?

      if again
        erb(
          :"errors/again",
          locals: {
            title: title,
            message: message,
            fields: resent,
            by_itself: code == 503 && !params.key?(SENT_AGAIN)
          }
        )
      else
        erb(:"errors/refused", locals: {title: title, message: message})
      end
    end

    def halt_too_large(most)
      halt 413,
        refuse(
          413,
          "Too large",
          "What was sent is larger than #{most / 1000} kB, which is the most that is taken here. Nothing was read " \
          "of it."
        )
    end

    # A form from another page of ours that stood open too long comes again, filled; from elsewhere it does not.
    def refuse_token
      ours = request.env["HTTP_ORIGIN"].to_s.sub(%r{\Ahttps?://}, "") == request.host_with_port
      halt 403,
        refuse(
          403,
          "Not sent yet",
          (
            if ours
              "This page stood open too long, so nothing was written yet. All that was typed is still here."
            else
              "Load the page again and send the form once more."
            end
          ),
          again: ours
        )
    end

    def refuse_writing(error)
      code, title, message = ErrorPages.of_writing(error)
      return fail_with(error) unless code

      headers "retry-after" => "2" if code == 503
      refuse(code, title, message, again: code == 503 && !request.get?)
    end

    # @return [String, nil] the page of ours that it was sent from
    def came_from
      page = request.referer.to_s.delete_prefix(request.base_url)
      page if page.match?(%r{\A/(?!/)})
    end

    # What was typed, but for the token and for files, which a page can not fill in.
    def resent
      ErrorPages.fields(params.except("authenticity_token", SENT_AGAIN, *request_path_keys)).first(MOST_FIELDS)
    end

    # Names in the path are no fields.
    def request_path_keys = env["sinatra.route"].to_s.scan(/:(\w+)/).flatten
  end
end
