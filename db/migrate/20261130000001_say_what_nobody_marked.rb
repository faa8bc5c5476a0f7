# frozen_string_literal: true

require_relative "../marks"

# A suspension that ended by the clock because nobody marked it is not held; and of a whole session it is said whether
# the ribs stayed wide.
class SayWhatNobodyMarked < ActiveRecord::Migration[7.2]
  include Marks

  JUDGED = %w[
    athlete_id prescription_id local_date protocol dose effort symptoms light done_ms washout ended_at ribs caution
  ].freeze

  def up
    # What would have been refused had it been asked for before: it was done, so it is kept, and counts toward no step.
    %i[sessions measures colds].each { |table| add_column table, :caution, :text, null: false, default: "" }
    add_column :rounds, :unmarked, :boolean, null: false, default: false
    # Written out: SQLite would make the table anew for a check that comes later, and its triggers would be gone with
    # the old one.
    execute "ALTER TABLE sessions ADD COLUMN ribs text CONSTRAINT sessions_ribs CHECK (ribs IN ('always', 'mostly', " \
      "'no'))"
    execute "DROP TRIGGER judged_of_sessions_update#{" ON sessions" unless sqlite?}"
    trigger(
      "judged_of_sessions_update",
      "AFTER UPDATE OF #{JUDGED.join(", ")} ON sessions",
      "UPDATE sessions SET judged_mark = #{random} WHERE id = NEW.id"
    )
  end
end
