# frozen_string_literal: true

module Windlass
  module Records
    # Who owns the records. One coach for now.
    class Account < Record
      self.table_name = "accounts"
      has_many :own_protocols, -> { where(deleted_at: nil) }, class_name: "Windlass::Records::OwnProtocol"
      has_many :athletes, class_name: "Windlass::Records::Athlete"
      has_many :active_athletes, -> { active }, class_name: "Windlass::Records::Athlete"

      # @return [Emergency::Place]
      def place = Emergency::Place.new(number: emergency_number, site: site, oxygen_at: oxygen_at, defibrillator_at: defibrillator_at)
    end
  end
end
