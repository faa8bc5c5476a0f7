# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps an athlete. The form's uuid makes a double click one person; its version keeps one tab from overwriting what
    # another wrote meanwhile.
    module KeepAthlete
      # @param form [Forms::AthleteForm] valid
      # @return [Records::Athlete]
      def self.add(account, form)
        account.transaction do
          account.athletes.find_by(uuid: form.values[:uuid]) || account.athletes.create!(form.columns.merge(uuid: form.values[:uuid]))
        end
      end

      # @raise [ActiveRecord::StaleObjectError] where the form is older than what is kept, or says no version
      def self.change(athlete, form)
        athlete.assign_attributes(form.columns)
        athlete.lock_version = form.values[:lock_version] || -1
        athlete.save!
      end
    end
  end
end
