# frozen_string_literal: true

module Windlass
  module Actions
    # Keeps an athlete. The form's uuid makes a double click one person; its version keeps one tab from overwriting what
    # another wrote meanwhile.
    module KeepAthlete
      # @param form [Forms::AthleteForm] valid
      # @return [Records::Athlete]
      def self.add(account, form, today:)
        Records::Record.once(account.athletes, form.values[:uuid]) do
          created(account, form, today)
        end
      end

      # Whoever adds an athlete coaches them; who coaches everybody does so already.
      def self.created(account, form, today)
        athlete =
          account.athletes.create!(
            form.columns.merge(account_id: account.id, uuid: form.values[:uuid], **again(form.columns, today))
          )
        adds = Records::Doing.person
        myself(adds, athlete, today) if adds && account.house.alone && account.house.athletes.one?
        if adds&.roles_on(today)&.none?(&:of_all)
          GiveRole.call(adds, {kind: "coach", athlete_id: athlete.id, from_on: today})
        end
        athlete
      end

      # Who trains alone sees their own page, too.
      def self.myself(person, athlete, today) =
        GiveRole.call(person, {kind: "athlete", athlete_id: athlete.id, from_on: today})

      # A paused control pause is asked for again: when the coach says, in four weeks otherwise.
      AGAIN_DAYS = 28

      def self.again(columns, today)
        {
          control_pause_again_on:
            (columns[:control_pause_again_on] || today + AGAIN_DAYS if columns[:control_pause_use] == "paused")
        }
      end
      private_class_method :again, :created, :myself

      # @raise [ActiveRecord::StaleObjectError] where the form is older than what is kept, or says no version
      def self.change(athlete, form, today:)
        athlete.assign_attributes(form.columns.merge(again(form.columns, today)))
        athlete.lock_version = form.values[:lock_version] || -1
        athlete.save!
      end
    end
  end
end
