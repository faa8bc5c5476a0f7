# frozen_string_literal: true

module Windlass
  module Routes
    # Groups: who shares times of the week, and their week.
    module Groups
      def self.registered(app)
        app.helpers Helpers

        app.get("/programme", may: :coaches) do
          groups = account.of(Records::Group).by_name.to_a
          redirect to("/groups/#{groups.first.id}"), 303 if groups.any? && said(:all).empty?

          erb :"programme/index",
            locals: {
              title: "Programme",
              groups: groups,
              programmes:
                account.of(Records::Programme.open)
                  .includes(:athlete)
                  .sort_by { |one| one.athlete.name.downcase }
            }
        end

        app.get("/programme/load", may: :coaches) do
          erb :"programme/load",
            locals: {
              title: "Load",
              page: Presenters::LoadBoard.new(athlete_filter("/programme/load"), today: today)
            }
        end

        app.get("/groups/new", may: :coaches) do
          group_form(Records::Group.new(account_id: account.id), Forms::GroupForm.blank)
        end

        app.post("/groups", may: :coaches) { keep_group(Records::Group.new(account_id: account.id)) }

        app.get("/groups/:id/edit", may: :coaches) { group_form(group, Forms::GroupForm.of(group)) }

        app.post("/groups/:id", may: :coaches) { keep_group(group) }

        app.get("/groups/:id", may: :coaches) { group_week }

        app.post("/groups/:id/events", may: :coaches) {
          keep_event(group_id: group.id) { |form|
            group_week(event: form)
          }
        }

        app.post("/athletes/:athlete_id/events", may: :coaches) do
          keep_event(athlete_id: athlete.id) { |form| programme_sheet(event: form) }
        end

        app.post("/events/:id/remove", may: :coaches) do
          event = find_in(own(Records::Event))
          event.destroy!
          tell "#{event.in_words} is taken out. Plan anew to use the room."
          redirect back_to(event), 303
        end

        app.get("/groups/:id/slots/:slot_id/fit", may: :coaches) do
          record = group
          page = Presenters::SlotFit.new(record, find_in(record.slots, params[:slot_id]), day(:date))
          erb :"programme/fit", locals: {title: page.title, page: page, group: record}
        end

        app.get("/groups/:id/week.pdf", may: :coaches) do
          page = Presenters::GroupWeek.new(group, on: day(:on), today: today)
          pdf(
            Windlass::Papers::Week.new(
              page.title,
              page.days.map(&:words),
              page.rows.map { |row| [row.name, row.days.map(&:last)] },
              page.days.reject { |one| one.event.empty? }.map { |one| "#{one.words}: #{one.event}" }
            ),
            "week"
          )
        end
      end

      module Helpers
        def group(id = params[:id]) = find_in(account.of(Records::Group), id)

        # Slots, events and the like, of this place's groups and athletes.
        def own(records) =
          records.where(group_id: account.of(Records::Group).select(:id)).or(
            records.where(athlete_id: account.athletes.select(:id))
          )

        # @return [Date] today, where nothing that is one was said
        def day(key)
          Date.iso8601(said(key))
        rescue ArgumentError
          today
        end

        def back_to(of_one) =
          to(of_one.group_id ? "/groups/#{of_one.group_id}" : "/athletes/#{of_one.athlete_id}/programme")

        def group_week(event: nil)
          status 422 if event
          page = Presenters::GroupWeek.new(group, on: day(:on), today: today)
          erb :"programme/group",
            locals: {
              title: page.title,
              page: page,
              event: event || Forms::EventForm.blank(local_date: today.to_s)
            }
        end

        def group_form(record, form)
          status 422 unless form.valid?
          erb :"programme/group_form",
            locals: {
              title: record.id ? record.name : "A new group",
              record: record,
              form: form,
              athletes: account.active_athletes.by_name.to_a
            }
        end

        def keep_group(record)
          form = Forms::GroupForm.parse(params)
          return group_form(record, form) unless form.valid?

          fresh = record.new_record?
          Actions::KeepGroup.call(record, form, among: account.athletes)
          # Whoever makes a group has it, also while nobody is in it.
          Actions::GiveRole.call(person, {kind: "coach", group_id: record.id, from_on: today}) if fresh
          tell "#{record.name} is saved. What is planned already changes when you plan anew."
          redirect to("/groups/#{record.id}"), 303
        end

        def keep_event(**of_one)
          form = Forms::EventForm.parse(params, today: today)
          return yield(form) unless form.valid?

          event = Records::Event.create!(form.columns.merge(of_one))
          tell "#{event.in_words} on #{Words.date(event.local_date)} is kept. Plan again, easing toward it."
          redirect back_to(event), 303
        end
      end
    end
  end
end
