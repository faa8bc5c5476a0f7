# frozen_string_literal: true

module Bench
  # What is done with people: consent, phones, letters, invitations, roles. A part of {Deeds}.
  module DeedsOfPeople
    private

    def people_deeds = {**consent, **phones, **alone, **letters, **roles, **imports}

    def actions = Windlass::Actions

    def coach = @coach ||= Coach.person

    def link(kind, secret) = "/#{kind}/#{secret}"

    def consent
      made = -> { actions::KeepConsent.link(@athlete, by: coach, now: @now) }
      {
        "/athletes/:athlete_id/consent" => -> { button(at("/consent")) },
        "/athletes/:athlete_id/consent/end" => -> { button(at("/consent/end")) },
        "/athletes/:athlete_id/consent-links" => -> { button(at("/consent-links")) },
        "/athletes/:athlete_id/consent-links/:id/revoke" => -> do
          made.call
          button(at("/consent-links/#{records::ConsentLink.last.id}/revoke"))
        end,
        "/consents/:token" => -> { button(link("consents", made.call)) },
        "/consents/:token/end" => -> { button("#{link("consents", made.call)}/end") },
        "/mine/consent" => -> { button("/mine/consent") },
        "/mine/consent/end" => -> { button("/mine/consent/end") }
      }
    end

    def phones
      made = -> { actions::BindDevice.link(@athlete, by: coach, now: @now) }
      bound = -> do
        made.call
        device = records::Device.last
        [device, actions::BindDevice.call(device, name: "a phone", now: @now)]
      end
      {
        "/athletes/:athlete_id/devices" => -> { button(at("/devices")) },
        "/athletes/:athlete_id/devices/:id/revoke" => -> { button(at("/devices/#{bound.call.first.id}/revoke")) },
        "/devices/:token" => -> { button(link("devices", made.call)) },
        "/devices/code" => -> { button("/devices/code", code: bound.call.last) },
        "/mine/devices/end" => -> { button("/mine/devices/end") }
      }
    end

    # What an athlete does on their own page.
    def alone
      own = Coach.themselves
      felt = {uuid: SecureRandom.uuid, symptom: "nausea", strength: "1", felt_on: today.iso8601}
      told = -> do
        actions::TellComplaint.call(own, {**felt, uuid: SecureRandom.uuid, felt_on: today, strength: 1}, now: @now)
      end
      {
        "/mine/train/:id" => -> { button("/mine/train/#{own.prescriptions.open.first.id}", asked: "yes") },
        "/mine/sessions/:uuid" => -> do
          run = records::Session.kept.where(athlete_id: own.id).order(:id).last
          run.update!(run_by: coach.uuid)
          button("/mine/sessions/#{run.uuid}", effort: "3")
        end,
        "/mine/done" => -> do
          one = own.prescriptions.open.first
          button("/mine/done", training: one.id, on: today.iso8601, at: "00:10")
        end,
        "/mine/leave" => -> do
          Coach.person.roles.where(kind: "coach").update_all(until_on: today - 1)
          button("/mine/leave")
        end,
        "/mine/times" => -> { form("/mine/times", from: "/mine/times") },
        "/mine/away" => -> { button("/mine/away", from_on: today.iso8601, to_on: (today + 1).iso8601) },
        "/mine/away/:id/remove" => -> do
          away = records::Absence.create!(athlete: own, from_on: today, to_on: today, because: "")
          button("/mine/away/#{away.id}/remove")
        end,
        "/mine/morning" => -> { form("/mine/morning", from: "/mine/morning", **pause) },
        "/mine/felt" => -> { button("/mine/felt", **felt) },
        "/mine/pieces/felt" => -> { piece("felt", symptom: "nausea", strength: "1") },
        "/mine/pieces/morning" => -> { piece("morning", **pause) },
        "/mine/pieces/day" => -> { piece("day", answers: ["injured"]) },
        "/complaints/:uuid/seen" => -> { button("/complaints/#{told.call.uuid}/seen") }
      }
    end

    # Said on a phone three hours ago, without a network.
    def piece(kind, **said)
      waited = {uuid: SecureRandom.uuid, ago_ms: 3 * 3_600_000, days_ago: 0}
      @forms.json("/mine/pieces/#{kind}", {**waited, **said})
    end

    def letters
      made = -> { actions::AskClinician.call(@athlete, by: coach, now: @now) }
      answer = {clinician: "Dr Quill", expires_on: (today + 90).iso8601, families: ["tables"]}
      {
        "/athletes/:athlete_id/letters" => -> { button(at("/letters")) },
        "/letters/:token" => -> { button(link("letters", made.call), **answer) },
        "/athletes/:athlete_id/letters/:id/take" => -> do
          made.call
          given = {**answer, given_on: today.iso8601, families: ["tables"]}
          actions::AskClinician.answer(records::Letter.last, given, now: @now)
          button(at("/letters/#{records::Letter.last.id}/take"))
        end
      }
    end

    def roles
      somebody = -> do
        records::Person.create!(account_id: 1, uuid: SecureRandom.uuid, name: "Bench Quill", made_at: @now)
      end
      held = -> { actions::GiveRole.call(somebody.call, {kind: "coach", athlete_id: @athlete.id, from_on: today}) }
      {
        "/people/invitations" => -> { button("/people/invitations", kind: "coach", of: "all") },
        "/people/:id/roles" => -> { button("/people/#{somebody.call.id}/roles", kind: "coach", of: "all") },
        "/people/roles/:id/end" => -> { button("/people/roles/#{held.call.id}/end") },
        "/people/:id/close" => -> { button("/people/#{somebody.call.id}/close") },
        "/invitations/:token" => -> do
          form = Windlass::Forms::RoleForm.parse({"kind" => "coach", "of" => "all"})
          button(link("invitations", actions::Invite.call(records::Account.first, form, by: coach, now: @now)),
            as: "me")
        end,
        "/my-sign-in/end" => -> { button("/my-sign-in/end", session: "none") },
        "/athletes/:athlete_id/coaches" => -> { button(at("/coaches"), person: somebody.call.id.to_s) },
        "/athletes/:athlete_id/coaches/:id/end" => -> { button(at("/coaches/#{held.call.id}/end")) },
        "/prescriptions/:id/counting" => -> do
          ways = Windlass::Records::Prescription::COUNTING.keys
          button("/prescriptions/#{prescription.id}/counting", counting: ways.last)
        end
      }
    end

    def imports
      asks = -> { @house.import.tap { |one| one.update!(state: "asks", result: {"preview" => {}}) }.uuid }
      {
        "/imports/:uuid/stop" => -> { button("/imports/#{asks.call}/stop") },
        "/imports/:uuid/keep" => -> { button("/imports/#{asks.call}/keep") }
      }
    end
  end
end
