# frozen_string_literal: true

# What was written wrong is discarded, and can be brought back: clearances and times in the cold, too.
class LetClearancesAndColdsBeDiscarded < ActiveRecord::Migration[7.2]
  def change
    add_column :clearances, :discarded_at, :datetime
    add_column :colds, :discarded_at, :datetime
  end
end
