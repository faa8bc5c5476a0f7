# frozen_string_literal: true

module Windlass
  module Presenters
    module Desk
      # What may still be done today. known: {Situations::Snapshot} of the athlete. done: sets of today. slot: nil
      # where no programme plans.
      Opening =
        Value.define(
          :athlete_id, :prescription_id, :name, :protocol, :standing, :known, :body, :done, :running, :slot
        ) do
          # @return [Symbol] free, unplanned or planned
          def kind
            return :free if slot.nil?

            slot.equal?(Opening::NOT_TODAY) ? :unplanned : :planned
          end
        end

      # Constants of {Opening}: a value's block has none of its own.
      class Opening
        # A time of today at which it is planned.
        Slot =
          Value.define(:at, :name, :place, :begins) do
            # @return [String] `18:30, Kestrel Quay freediving club`
            def in_words = [at, name].compact.join(", ")
          end
        NOT_TODAY = Slot.new(at: "", name: nil, place: nil, begins: nil)
      end
    end
  end
end
