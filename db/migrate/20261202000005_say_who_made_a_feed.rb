# frozen_string_literal: true

# A calendar ends with the right of whoever made it; nobody is known of those that were made before.
class SayWhoMadeAFeed < ActiveRecord::Migration[7.2]
  def change = add_column(:feeds, :made_by, :bigint)
end
