# frozen_string_literal: true

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
      "GET /place/archive.json",
      "GET /athletes/:athlete_id/archive.json",
      "GET /athletes/:athlete_id/dives.uddf",
      *%w[sessions holds measures dives].map { |name| "GET /log/#{name}.csv" }
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
    def self.write(route, path, person:, device:, now:)
      table, key = path.delete_prefix("/").split("/")
      # What opens a link stays between those who have it.
      key = nil if route.match?(/:token|:secret/)
      Records::TraceEntry.create!(
        at: now,
        person_uuid: person&.uuid.to_s,
        deed: route,
        athlete_id: whose(table, key),
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

    # What is said of a deed; others are said by their address.
    WORDS = {
      "POST /athletes" => "added an athlete",
      "POST /athletes/:athlete_id" => "changed a sheet",
      "POST /athletes/:athlete_id/screening" => "answered a screening",
      "GET /athletes/:athlete_id/screening" => "read a screening",
      "POST /athletes/:athlete_id/clearances" => "wrote down a clearance",
      "GET /athletes/:athlete_id/letter.pdf" => "printed a letter to a clinician",
      "GET /athletes/:athlete_id/report.pdf" => "printed a report",
      "GET /photos/:uuid" => "looked at a photograph",
      "POST /athletes/:athlete_id/prescriptions" => "prescribed",
      "POST /protocols/:id/prescriptions" => "prescribed",
      "POST /prescriptions/:id/sessions" => "put a session on the deck",
      "POST /prescriptions/:id/write-in" => "wrote a session in",
      "POST /prescriptions/:id/end" => "ended a prescription",
      "POST /prescriptions/:id/limits" => "changed limits",
      "POST /sessions/:uuid/rating" => "rated a session",
      "POST /sessions/:uuid/decision" => "decided a verdict",
      "POST /sessions/:uuid/accept" => "accepted a verdict",
      "POST /decisions" => "accepted plain verdicts",
      "POST /sessions/:uuid/discard" => "discarded a session",
      "POST /sessions/:uuid/end" => "ended a session",
      "POST /moves/:id/back" => "took a decision back",
      "POST /suspensions/:id/clearance" => "lifted a stop",
      "POST /athletes/:athlete_id/day" => "asked before a session",
      "POST /squads" => "began a session together",
      "POST /athletes/:athlete_id/erase" => "erased an athlete",
      "POST /erasures/:id/undo" => "took an erasure back",
      "GET /place/archive.json" => "exported the house",
      "GET /athletes/:athlete_id/archive.json" => "exported an athlete",
      "POST /place/import" => "read an archive in",
      "POST /place" => "changed the place",
      "POST /athletes/:athlete_id/letters" => "asked a clinician by link",
      "POST /letters/:token" => "answered a letter",
      "POST /athletes/:athlete_id/letters/:id/take" => "took a clinician's answer over",
      "POST /people/invitations" => "invited somebody",
      "POST /people/:id/roles" => "gave a role",
      "POST /people/roles/:id/end" => "ended a role",
      "POST /people/:id/close" => "closed somebody's sign-in",
      "POST /invitations/:token" => "took an invitation",
      "POST /setup" => "set the house up",
      **SIGNING.transform_keys(&:to_s)
    }.freeze

    # @param entry [Records::TraceEntry]
    # @return [String]
    def self.words(entry) = WORDS.fetch(entry.deed) { entry.deed.delete_prefix("POST ").delete_prefix("GET ") }
  end
end
