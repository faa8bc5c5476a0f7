# frozen_string_literal: true

# Time in the cold is among what readiness looks back at: it changes the mark of its athlete, as measures and sessions do.
class ColdsChangeADesk < ActiveRecord::Migration[7.2]
  def up
    {"insert" => "NEW", "update" => "NEW", "delete" => "OLD"}.each do |event, row|
      name = "desk_of_colds_#{event}"
      deed = "UPDATE athletes SET desk_mark = #{sqlite? ? "random()" : "(random() * 9007199254740991)::bigint"} WHERE id = #{row}.athlete_id;"
      execute "CREATE FUNCTION #{name}() RETURNS trigger AS $$ BEGIN #{deed} RETURN NULL; END $$ LANGUAGE plpgsql" unless sqlite?
      execute "CREATE TRIGGER #{name} AFTER #{event.upcase} ON colds FOR EACH ROW #{sqlite? ? "BEGIN #{deed} END" : "EXECUTE FUNCTION #{name}()"}"
    end
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end

  private

  def sqlite? = connection.adapter_name == "SQLite"
end
