# frozen_string_literal: true

require_relative "../../app/rooms"
require_relative "alone"

module Windlass
  module Demo
    # Five people of Kestrel Quay, one of each kind; nobody has a password, for each is one press away.
    module People
      NAMES = {
        "maren" => "Maren Solheim-Okoro",
        "tobias" => "Tobias Linde",
        "lene" => "Lene Varga",
        "ines" => "Ines Aldaya",
        "jonte" => "Bashir Rahimi"
      }.freeze
      # Tables that hang on a person.
      THEIRS = %w[
        person_password_hashes
        person_remember_keys
        person_login_failures
        person_lockouts
        person_password_reset_keys
        person_otp_keys
        person_webauthn_user_ids
        person_recovery_codes
        person_webauthn_keys
        person_active_sessions
        tries
      ].freeze

      def self.load(house, now:)
        Records::Record.transaction do
          since = {from_on: now.to_date - 90}
          person = NAMES.to_h { |login, name| [login, add(house, login, name, now)] }
          choir = Records::Group.find_by(name: "Chamber choir") || Records::Group.first
          person["maren"].roles.create!([{kind: "keeper", **since}, {kind: "coach", of_all: true, **since}])
          person["tobias"].roles.create!(kind: "coach", group: choir, **since)
          person["lene"].roles.create!(kind: "assistant", group: choir, **since)
          own = ->(name) { Records::Athlete.find_by!(name: name) }
          person["ines"].roles.create!(kind: "athlete", athlete: own["Ines Aldaya"], **since)
          alone = own["Bashir Rahimi"]
          person["jonte"].roles.create!(
            [{kind: "athlete", athlete: alone, **since}, {kind: "coach", athlete: alone, **since}]
          )
          Alone.load(person["maren"], now: now)
          house.update!(demo: true)
        end
      end

      # What was done in a demo goes with it: its trace is made anew, for nothing of it can be removed.
      def self.clear
        connection = Records::Record.connection
        [Records::Device, Records::Role, Records::Invitation, Records::Person].each(&:delete_all)
        THEIRS.each { |table| connection.execute("DELETE FROM #{table}") }
        TraceTable.emptied(connection)
        Records::Account.update_all(demo: false)
      end

      def self.add(house, login, name, now) =
        Records::Person.create!(account_id: house.id, uuid: SecureRandom.uuid, name: name, login: login, made_at: now)
      private_class_method :add
    end

    # Only here: of a real house nothing of the trace ever goes.
    module TraceTable
      def self.emptied(connection)
        if connection.adapter_name == "SQLite"
          kept =
            connection.select_values(
              "SELECT sql FROM sqlite_master WHERE type = 'trigger' AND tbl_name = 'trace_entries'"
            )
          %w[update delete].each { |way| connection.execute("DROP TRIGGER trace_no_#{way}") }
          connection.execute("DELETE FROM trace_entries")
          kept.each { |trigger| connection.execute(trigger) }
        else
          connection.execute("TRUNCATE trace_entries")
        end
      end
    end
  end
end
