# frozen_string_literal: true

# Few sessions belong to a squad, or are a twin. Once the tables were looked at (ANALYZE), an index in which nearly all
# are NULL looks like one that finds nothing, and the whole table was walked through instead. Of those that have one it
# is as good as it can be.
class IndexWhatFewHave < ActiveRecord::Migration[7.2]
  def change
    %i[squad_id twin_of_id].each do |column|
      remove_index :sessions, column
      add_index :sessions, column, where: "#{column} IS NOT NULL"
    end
  end
end
