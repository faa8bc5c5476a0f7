# frozen_string_literal: true

# Where an athlete's week was sent last, so that the next is one press.
class SendWeeks < ActiveRecord::Migration[7.2]
  def change = add_column(:athletes, :post_to, :text, null: false, default: "")
end
