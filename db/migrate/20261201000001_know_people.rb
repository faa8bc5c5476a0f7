# frozen_string_literal: true

require_relative "../marks"

# Who uses the house: people, how they sign in, what they may do, and what they did.
class KnowPeople < ActiveRecord::Migration[7.2]
  include Marks

  def up
    people
    ways_to_sign_in
    rights
    trace
  end

  private

  def people
    create_table :people do |t|
      t.references :account, null: false, foreign_key: true, index: true
      t.text :uuid, null: false, index: {unique: true}
      t.text :name, null: false
      # As it is typed to sign in, in small letters; nil: by a device or a link alone.
      t.text :login, index: {unique: true}
      # As Rodauth counts: 2 open, 3 closed.
      t.integer :status_id, null: false, default: 2
      t.text :language, null: false, default: "en"
      t.text :time_zone, null: false, default: ""
      t.datetime :made_at, null: false
      t.datetime :closed_at
      t.check_constraint "status_id IN (1, 2, 3)", name: "people_status"
      t.check_constraint "length(name) BETWEEN 1 AND 80", name: "people_name"
    end
    add_column :accounts, :demo, :boolean, null: false, default: false
    # Whoever keeps it trains alone: they are its coach and its one athlete.
    add_column :accounts, :alone, :boolean, null: false, default: false
    add_column :imports, :person_id, :bigint
  end

  # Tables as Rodauth wants them; `id` is the person's.
  def ways_to_sign_in
    of_a_person(:person_password_hashes) { |t| t.text :password_hash, null: false }
    of_a_person(:person_remember_keys) { |t| t.text(:key, null: false) && t.datetime(:deadline, null: false) }
    of_a_person(:person_login_failures) { |t| t.integer :number, null: false, default: 1 }
    of_a_person(:person_lockouts) do |t|
      t.text :key, null: false
      t.datetime :deadline, null: false
      t.datetime :email_last_sent
    end
    of_a_person(:person_password_reset_keys) do |t|
      t.text :key, null: false
      t.datetime :deadline, null: false
      t.datetime :email_last_sent, null: false, default: -> { "CURRENT_TIMESTAMP" }
    end
    of_a_person(:person_otp_keys) do |t|
      t.text :key, null: false
      t.integer :num_failures, null: false, default: 0
      t.datetime :last_use, null: false, default: -> { "CURRENT_TIMESTAMP" }
    end
    of_a_person(:person_webauthn_user_ids) { |t| t.text :webauthn_id, null: false }
    create_table :person_recovery_codes, primary_key: %i[id code] do |t|
      t.bigint :id
      t.text :code
    end
    create_table :person_webauthn_keys, primary_key: %i[person_id webauthn_id] do |t|
      t.bigint :person_id
      t.text :webauthn_id
      t.text :public_key, null: false
      t.integer :sign_count, null: false
      t.datetime :last_use, null: false, default: -> { "CURRENT_TIMESTAMP" }
    end
    create_table :person_active_sessions, primary_key: %i[person_id session_id] do |t|
      t.bigint :person_id
      t.text :session_id
      t.text :device, null: false, default: ""
      t.datetime :created_at, null: false, default: -> { "CURRENT_TIMESTAMP" }
      t.datetime :last_use, null: false, default: -> { "CURRENT_TIMESTAMP" }
    end
    # Tries that failed, by whom and from where: counted in one statement, so that no process loses one.
    create_table :tries, id: false do |t|
      t.text :key, null: false, index: {unique: true}
      t.integer :number, null: false, default: 0
      t.bigint :until_s, null: false
    end
  end

  def of_a_person(name)
    create_table(name, id: false) do |t|
      t.bigint :id, null: false, primary_key: true
      yield t
    end
  end

  # What somebody is, of whom, from when until when. A right that ended stays on record.
  def rights
    create_table :roles do |t|
      t.references :person, null: false, foreign_key: true, index: true
      t.text :kind, null: false
      t.references :athlete, foreign_key: {on_delete: :cascade}, index: true
      t.references :group, foreign_key: {on_delete: :cascade}, index: true
      # A coach of everybody in the house, also of who comes later.
      t.boolean :of_all, null: false, default: false
      t.date :from_on, null: false
      # The last day.
      t.date :until_on
      t.check_constraint "kind IN ('keeper', 'coach', 'assistant', 'athlete')", name: "roles_kind"
      t.check_constraint "kind <> 'athlete' OR athlete_id IS NOT NULL", name: "roles_athlete"
      t.check_constraint "kind <> 'assistant' OR group_id IS NOT NULL", name: "roles_assistant"
    end
    create_table :invitations do |t|
      t.references :account, null: false, foreign_key: true, index: true
      # Of the secret only this is kept.
      t.text :digest, null: false, index: {unique: true}
      t.text :kind, null: false
      t.text :name, null: false, default: ""
      t.bigint :athlete_id
      t.bigint :group_id
      t.boolean :of_all, null: false, default: false
      t.bigint :made_by, null: false
      t.datetime :made_at, null: false
      t.datetime :ends_at, null: false
      t.datetime :used_at
    end
  end

  # Ids and kinds alone: nothing in it names anybody, so that it can stay when somebody goes.
  def trace
    create_table :trace_entries do |t|
      t.datetime :at, null: false, index: true
      t.text :person_uuid, null: false, default: "", index: true
      t.text :deed, null: false
      t.bigint :athlete_id, index: true
      t.text :subject, null: false, default: ""
      t.text :device, null: false, default: ""
    end
    %w[UPDATE DELETE].each { |way| never(way) }
  end

  def never(way)
    name = "trace_no_#{way.downcase}"
    words = "the trace is only added to"
    if sqlite?
      return execute(
        "CREATE TRIGGER #{name} BEFORE #{way} ON trace_entries BEGIN SELECT RAISE(ABORT, '#{words}'); END"
      )
    end

    execute(
      "CREATE FUNCTION #{name}() RETURNS trigger AS $$ BEGIN RAISE EXCEPTION '#{words}'; END $$ LANGUAGE plpgsql"
    )
    execute("CREATE TRIGGER #{name} BEFORE #{way} ON trace_entries FOR EACH ROW EXECUTE FUNCTION #{name}()")
  end
end
