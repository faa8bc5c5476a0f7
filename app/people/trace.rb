# frozen_string_literal: true

require "yaml"

module Windlass
  # What was done, by whom, to whom: one line a deed, written with the deed's answer. Reading is among it where what is
  # read is somebody's health: screening, letter, photograph, an export.
  module Trace
    READING = [
      "GET /athletes/:athlete_id/screening",
      "GET /screenings/:id/correct",
      "GET /athletes/:athlete_id/letter.pdf",
      "GET /athletes/:athlete_id/report.pdf",
      "GET /sessions/:uuid/incident.pdf",
      "GET /photos/:uuid",
      "GET /athletes/:athlete_id/archive.json",
      "GET /athletes/:athlete_id/dives.uddf",
      "GET /mine/data.json",
      "GET /people/trace.csv",
      "GET /consents/:token/data.json",
      *%w[sessions holds measures dives].flat_map { |name| ["GET /log/#{name}.csv", "GET /mine/#{name}.csv"] }
    ].to_set.freeze
    # What is sent many times a minute while a session runs, and what keeps nothing.
    NO_DEEDS = [
      "POST /sessions/:uuid/events",
      "POST /sessions/:uuid/verdict",
      "POST /hiss",
      "POST /protocols/:id",
      "POST /prescriptions/:id/write-in/read"
    ].to_set.freeze
    # Where an address says whose row it is.
    SUBJECTS = {
      "sessions" => Records::Session,
      "prescriptions" => Records::Prescription,
      "measures" => Records::Measure,
      "control-pauses" => Records::Measure,
      "dives" => Records::Dive,
      "suspensions" => Records::Suspension,
      "screenings" => Records::Screening,
      "colds" => Records::Cold
    }.freeze

    # @param route [String] `POST /sessions/:uuid/decision`
    # @return [Boolean]
    def self.deed?(route) = READING.include?(route) || (route.start_with?("POST") && !NO_DEEDS.include?(route))

    # @param route [String]
    # @param path [String] as it was asked for
    # @param person [Records::Person, nil]
    # @param whose [Integer, nil] number of an athlete, where the address does not say it
    def self.write(route, path, person:, device:, now:, whose: nil)
      table, key = path.delete_prefix("/").split("/")
      # What opens a link stays between those who have it.
      key = nil if route.match?(/:token|:secret/)
      Records::TraceEntry.create!(
        at: now,
        person_uuid: person&.uuid.to_s,
        deed: route,
        athlete_id: whose || whose(table, key),
        subject: [table, *key].join(" ")[0, 80],
        device: device.to_s
      )
    end

    # @return [Integer, nil]
    def self.whose(table, key)
      return Integer(key, 10, exception: false) if table == "athletes" && key
      record = SUBJECTS[table] or return
      by = key.to_s.match?(/\A\d{1,15}\z/) ? :id : :uuid
      record.unscoped.where(by => key).pick(:athlete_id) if record.column_names.include?(by.to_s)
    end
    private_class_method :whose

    # How somebody came in, and what they changed of it: by the moment at which the sign-in tells of it.
    SIGNING = {
      after_login: "signed in",
      after_load_memory: "came back on a remembered device",
      after_two_factor_authentication: "gave the second proof",
      before_logout: "signed out",
      after_account_lockout: "was locked out after too many tries",
      after_unlock_account: "unlocked their sign-in",
      after_change_password: "changed their password",
      after_reset_password: "set a new password by post",
      after_change_login: "changed their sign-in name",
      after_webauthn_setup: "added a passkey",
      after_webauthn_remove: "removed a passkey",
      after_otp_setup: "set up one-time codes",
      after_otp_disable: "gave up one-time codes"
    }.freeze

    # @param event [Symbol] of {SIGNING}
    # @param person [Records::Person]
    def self.signing(event, person, device:, now:) =
      Records::TraceEntry.create!(at: now, person_uuid: person.uuid, deed: event.to_s, device: device)

    # What is said of a deed.
    WORDS = {**YAML.load_file(File.join(__dir__, "trace_words.yml")), **SIGNING.transform_keys(&:to_s)}.freeze

    # @param entry [Records::TraceEntry]
    # @return [String]
    def self.words(entry) = WORDS.fetch(entry.deed) { entry.deed.split.last }

    # @param text [String] `verdict`
    # @return [Array<String>] deeds whose words have it
    def self.deeds_with(text) = WORDS.select { |_, words| words.downcase.include?(text.downcase) }.keys
  end
end
