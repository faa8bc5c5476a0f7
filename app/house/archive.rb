# frozen_string_literal: true

module Windlass
  # Everything of a place, or of one athlete, as JSON: out, and back in. What refers to another row does so by that
  # row's place in its table, from 1: so it is the same whatever numbers a database gives.
  module Archive
    # Raised with every change after which an archive of the version before needs a step of {UPGRADES}; a column that is
    # added with a default needs none. One archive of every version lies in the specs.
    VERSION = 2
    # What brings an archive of a version to the next one: a Hash in, a Hash out.
    UPGRADES = {
      # What is kept with its caution, marked by nobody, or run once: all new columns, and their defaults say what was
      # so.
      1 => ->(data) { data }
    }.freeze

    # In the order in which they are written and read: nothing refers to what comes later.
    TABLES = [
      Table.new(Records::OwnProtocol, of: :place),
      Table.new(Records::Squad, of: :place),
      Table.new(Records::Group, of: :place),
      Table.new(Records::Athlete),
      Table.new(Records::Consent),
      Table.new(Records::Screening),
      Table.new(Records::Clearance),
      Table.new(Records::Measure),
      Table.new(Records::Day),
      Table.new(Records::Cold),
      Table.new(Records::Prescription, refers: {"replaces_id" => "prescriptions"}),
      SessionTable.new(Records::Session, refers: {"twin_of_id" => "sessions"}),
      Table.new(Records::Round, of: :session),
      Table.new(Records::JournalEvent, of: :session, key: "uuid"),
      Table.new(Records::Move, of: :prescription),
      Table.new(Records::Dive),
      Table.new(Records::Complaint),
      Table.new(Records::Suspension),
      Table.new(Records::Photo, of: :session),
      Table.new(Records::Member, of: :place),
      Table.new(Records::Slot),
      Table.new(Records::Event),
      Table.new(Records::Absence),
      Table.new(Records::Programme),
      Table.new(Records::Training, of: :prescription),
      Table.new(Records::PlannedSession),
      Table.new(Records::Correction, of: :several)
    ].freeze

    # What of the place itself is kept.
    PLACE = %w[name emergency_number site oxygen_at defibrillator_at].freeze
  end
end
