# frozen_string_literal: true

# Where a session was done; a photograph of its note; measures and dives that were entered wrong can be discarded and
# brought back.
class LeaveTheNotebookAtHome < ActiveRecord::Migration[7.2]
  def change
    change_table(:sessions) do |t|
      t.text :place, null: false, default: ""
      t.index %i[account_id place local_date id], where: "place <> ''", name: "sessions_of_a_place_by_day"
      t.index %i[account_id effort local_date id], name: "sessions_by_effort"
    end
    add_column :measures, :discarded_at, :datetime
    add_column :dives, :discarded_at, :datetime
    create_table(:photos) do |t|
      t.references :account, null: false, foreign_key: true, index: false
      t.references :session, null: false, foreign_key: {on_delete: :cascade}
      t.text :uuid, null: false, index: {unique: true}
      t.datetime :kept_at, null: false
      t.text :media_type, null: false
      t.binary :bytes, null: false
      t.check_constraint "media_type IN ('image/jpeg', 'image/png', 'image/webp')", name: "photos_media_type"
    end
  end
end
