# frozen_string_literal: true

# The tables of the first slice. Every record has an account as its owner; for now there is one.
# What must hold is said here, and not only in the forms: the database refuses the rest.
class CreateTheGround < ActiveRecord::Migration[7.2]
  def change
    create_accounts
    create_athletes
    create_measures
    create_prescriptions
    create_sessions
    create_rounds
    create_journal_events
    create_moves
    create_suspensions
  end

  private

  def create_accounts
    create_table(:accounts) do |t|
      t.text :name, null: false
      t.datetime :created_at, null: false
    end
    reversible do |way|
      way.up { execute "INSERT INTO accounts (id, name, created_at) VALUES (1, 'Coach', '2026-01-01')" }
    end
  end

  def create_athletes
    create_table(:athletes) do |t|
      owner(t)
      t.text :name, null: false
      t.date :born_on, null: false
      t.text :sex, null: false
      t.float :height_cm, null: false
      t.float :mass_kg, null: false
      t.float :vital_capacity_l
      t.integer :resting_pulse
      t.json :disciplines, null: false, default: []
      t.text :control_pause_use, null: false, default: "primary"
      t.boolean :nervous, null: false, default: false
      t.boolean :sleep_signs, null: false, default: false
      t.text :notes, null: false, default: ""
      t.timestamps
      t.index %i[account_id name]
      t.check_constraint "length(trim(name)) BETWEEN 1 AND 80", name: "athletes_name"
      t.check_constraint "sex IN ('female', 'male')", name: "athletes_sex"
      t.check_constraint "height_cm BETWEEN 90 AND 230", name: "athletes_height"
      t.check_constraint "mass_kg BETWEEN 15 AND 250", name: "athletes_mass"
      t.check_constraint "vital_capacity_l IS NULL OR vital_capacity_l BETWEEN 1 AND 10",
        name: "athletes_vital_capacity"
      t.check_constraint "resting_pulse IS NULL OR resting_pulse BETWEEN 25 AND 150", name: "athletes_pulse"
      t.check_constraint "control_pause_use IN ('primary', 'background', 'paused')", name: "athletes_control_pause_use"
    end
  end

  def create_measures
    create_table(:measures) do |t|
      owner(t)
      t.references :athlete, null: false, foreign_key: true, index: false
      t.text :uuid, null: false, index: {unique: true}
      t.text :kind, null: false
      t.float :value, null: false
      t.datetime :taken_at, null: false
      t.boolean :on_waking, null: false, default: false
      t.text :ended_by, null: false
      t.text :first_breath, null: false
      t.text :note, null: false, default: ""
      t.datetime :created_at, null: false
      t.index %i[athlete_id kind taken_at]
      t.check_constraint "kind IN ('control_pause')", name: "measures_kind"
      t.check_constraint "value > 0 AND value <= 600", name: "measures_value"
      t.check_constraint "ended_by IN ('diaphragm', 'throat', 'wish', 'impatience', 'anxiety', 'distraction')",
        name: "measures_ended_by"
      t.check_constraint "first_breath IN ('calm', 'deeper', 'gasp')", name: "measures_first_breath"
    end
  end

  def create_prescriptions
    create_table(:prescriptions) do |t|
      owner(t)
      t.references :athlete, null: false, foreign_key: true, index: false
      t.text :protocol, null: false
      t.json :dose, null: false
      t.boolean :reduced, null: false, default: false
      t.json :limits, null: false, default: {}
      t.text :state, null: false, default: "active"
      t.datetime :quiet_since
      t.date :started_on, null: false
      t.timestamps
      t.index %i[athlete_id protocol], unique: true, where: "state <> 'ended'", name: "one_open_prescription_a_protocol"
      t.check_constraint "state IN ('active', 'quiet', 'ended')", name: "prescriptions_state"
      t.check_constraint "(state = 'quiet') = (quiet_since IS NOT NULL)", name: "prescriptions_quiet_since"
    end
  end

  def create_sessions
    create_table(:sessions) do |t|
      owner(t)
      t.references :athlete, null: false, foreign_key: true, index: false
      t.references :prescription, null: false, foreign_key: true
      t.text :uuid, null: false, index: {unique: true}
      t.text :protocol, null: false
      t.json :dose, null: false
      t.integer :rung, null: false
      t.boolean :reduced, null: false, default: false
      t.json :segments, null: false
      t.text :posture, null: false, default: "seated"
      t.text :state, null: false, default: "planned"
      t.datetime :planned_at, null: false
      t.datetime :started_at
      t.datetime :ended_at
      t.date :local_date, null: false
      t.float :effort
      t.json :symptoms, null: false, default: []
      t.text :note, null: false, default: ""
      t.boolean :light, null: false, default: false
      t.index %i[athlete_id local_date]
      t.index %i[state local_date]
      t.check_constraint "state IN ('planned', 'running', 'done', 'stopped')", name: "sessions_state"
      t.check_constraint "effort IS NULL OR effort BETWEEN 0 AND 10", name: "sessions_effort"
      t.check_constraint "posture IN ('seated', 'lying')", name: "sessions_posture"
      t.check_constraint "(state = 'planned') = (started_at IS NULL)", name: "sessions_started"
    end
  end

  def create_rounds
    create_table(:rounds) do |t|
      t.references :session, null: false, foreign_key: {on_delete: :cascade}, index: false
      t.integer :number, null: false
      t.integer :target_ms
      t.integer :held_ms
      t.boolean :skipped, null: false, default: false
      t.integer :first_urge_ms
      t.integer :contraction_ms
      t.text :first_breath
      t.float :sao2_low
      t.index %i[session_id number], unique: true
      t.check_constraint "number > 0", name: "rounds_number"
      t.check_constraint "held_ms IS NULL OR held_ms >= 0", name: "rounds_held"
      t.check_constraint "first_breath IS NULL OR first_breath IN ('smooth', 'deeper', 'gasp')",
        name: "rounds_first_breath"
      t.check_constraint "sao2_low IS NULL OR sao2_low BETWEEN 0.3 AND 1", name: "rounds_sao2_low"
    end
  end

  # What the deck sent, as it was sent. The browser makes the uuid, so that sending twice changes nothing.
  def create_journal_events
    create_table(:journal_events, id: false) do |t|
      t.text :uuid, null: false, primary_key: true
      t.references :session, null: false, foreign_key: {on_delete: :cascade}
      t.text :kind, null: false
      t.integer :at_ms, null: false
      t.integer :round
      t.text :value
      t.datetime :received_at, null: false
      t.check_constraint "at_ms >= 0", name: "journal_events_at"
    end
  end

  def create_moves
    create_table(:moves) do |t|
      owner(t)
      t.references :prescription, null: false, foreign_key: true, index: false
      t.references :session, null: false, foreign_key: true, index: {unique: true}
      t.date :local_date, null: false
      t.index %i[prescription_id local_date], unique: true, name: "one_move_a_prescription_a_day"
      t.text :verdict, null: false
      t.text :decided, null: false
      t.json :reasons, null: false
      t.text :overruled_because
      t.json :dose_before, null: false
      t.json :dose_after
      t.datetime :decided_at, null: false
      %w[verdict decided].each do |column|
        t.check_constraint "#{column} IN ('stop', 'rest', 'ease', 'repeat', 'advance')", name: "moves_#{column}"
      end
      t.check_constraint "verdict = decided OR coalesce(length(trim(overruled_because)), 0) > 0",
        name: "moves_overruled_with_reason"
      t.check_constraint "verdict <> 'stop' OR decided = 'stop'", name: "moves_no_stop_overruled"
    end
  end

  # A stop holds until a clinician's clearance; a rest until its day.
  def create_suspensions
    create_table(:suspensions) do |t|
      owner(t)
      t.references :athlete, null: false, foreign_key: true
      t.references :prescription, foreign_key: true
      t.references :session, null: false, foreign_key: true, index: false
      t.text :kind, null: false
      t.text :reason, null: false
      t.datetime :opened_at, null: false
      t.date :until_on
      t.text :clinician
      t.date :cleared_on
      t.datetime :lifted_at
      t.index %i[session_id kind], unique: true
      t.check_constraint "kind IN ('stop', 'rest')", name: "suspensions_kind"
      t.check_constraint "kind <> 'rest' OR until_on IS NOT NULL", name: "suspensions_rest_has_an_end"
      t.check_constraint "kind <> 'stop' OR lifted_at IS NULL OR coalesce(length(trim(clinician)), 0) > 0",
        name: "suspensions_stop_needs_a_clinician"
    end
  end

  def owner(table)
    table.references :account, null: false, foreign_key: true, index: false
  end
end
