# frozen_string_literal: true

require_relative "../marks"

# Time in the cold is among what readiness looks back at: it changes the mark of its athlete, as measures and sessions
# do.
class ColdsChangeADesk < ActiveRecord::Migration[7.2]
  include Marks

  def up
    {"insert" => "NEW", "update" => "NEW", "delete" => "OLD"}.each do |event, row|
      trigger("desk_of_colds_#{event}", "AFTER #{event.upcase} ON colds", another_desk_mark("#{row}.athlete_id"))
    end
  end
end
