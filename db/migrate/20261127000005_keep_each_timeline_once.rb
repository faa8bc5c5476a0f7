# frozen_string_literal: true

require "digest"

# What sessions of the same dose have in common, their plan second by second, was kept with each of them: seven tenths
# of all bytes. Each plan stands once now, found by its digest. (Columns are added and dropped by plain statements:
# Active Record would copy the table, and what hangs on it would go.)
class KeepEachTimelineOnce < ActiveRecord::Migration[7.2]
  def up
    create_table :timelines do |t|
      t.text :digest, null: false, index: {unique: true}
      t.json :segments, null: false
    end
    execute "ALTER TABLE sessions ADD COLUMN timeline_id integer REFERENCES timelines (id)"
    select_values("SELECT DISTINCT CAST(segments AS text) FROM sessions").each do |segments|
      execute "INSERT INTO timelines (digest, segments) VALUES (#{quote(Digest::SHA256.hexdigest(segments))}, " \
        "#{quote(segments)})"
    end
    execute "UPDATE sessions SET timeline_id = (SELECT id FROM timelines WHERE CAST(timelines.segments AS text) = " \
      "CAST(sessions.segments AS text))"
    execute "ALTER TABLE sessions DROP COLUMN segments"
    add_index :sessions, :timeline_id
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
