# frozen_string_literal: true

require_relative "../marks"

# PostgreSQL keeps each state of a row until the end of what is written together: a mark that is changed for each of
# many rounds becomes slow to find. There it is changed once a statement. SQLite changes a row where it stands.
class MarkJudgedOnceAStatement < ActiveRecord::Migration[7.2]
  include Marks

  def up
    return if sqlite?

    {"INSERT" => "NEW", "UPDATE" => "NEW", "DELETE" => "OLD"}.each do |event, rows|
      name = "judged_of_rounds_#{event.downcase}"
      execute("DROP TRIGGER #{name} ON rounds")
      execute(<<~SQL)
        CREATE OR REPLACE FUNCTION #{name}() RETURNS trigger AS $$ BEGIN
          UPDATE sessions SET judged_mark = #{random} WHERE id IN (SELECT session_id FROM changed);
          RETURN NULL;
        END $$ LANGUAGE plpgsql
      SQL
      execute(<<~SQL)
        CREATE TRIGGER #{name} AFTER #{event} ON rounds
          REFERENCING #{rows} TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION #{name}()
      SQL
    end
  end
end
