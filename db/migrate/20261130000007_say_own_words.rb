# frozen_string_literal: true

# A coach's own words as sound, by a name that is made from them: the words themselves stand in the doses.
class SayOwnWords < ActiveRecord::Migration[7.2]
  def change
    create_table :own_words do |t|
      t.text :name, null: false
      t.text :voice, null: false
      t.integer :ms, null: false
      t.binary :sound, null: false
      t.index %i[name voice], unique: true
      t.check_constraint "ms > 0", name: "own_words_last"
    end
  end
end
