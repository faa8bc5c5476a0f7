# frozen_string_literal: true

require_relative "deeds_of_people"
require_relative "filled_forms"

module Bench
  # What a coach sends: one request for each way of the routing table that writes, in the house's longest life. What
  # must be so first is done before it is measured, and all of it is taken back.
  class Deeds
    include DeedsOfPeople

    # What takes as long as the work that it is: that has bars of its own.
    ELSEWHERE = {
      "/groups/:id/plan" => "plans a squad: bench/programme",
      "/groups/:id/planning" => "plans a squad, some at a time: bench/programme",
      "/athletes/:athlete_id/programme/plan" => "plans twelve weeks: bench/programme",
      "/place/import" => "as long as the archive is",
      "/place/archive.json" => "as long as the house is",
      "/athletes/:athlete_id/erase" => "as long as a life is",
      "/erasures/:id/undo" => "as long as a life is",
      "/devices/who" => "of a phone with several keys: bench/load --phones asks by one",
      "/setup" => "once, in a house where nobody is"
    }.freeze

    # So many of them are done at once: the bar is that of each.
    AT_ONCE = {"/decisions" => 12, "/squads/:uuid/smooth" => 12}.freeze

    # @param house [MeasuredHouse]
    # @param athlete [Records::Athlete] with three years behind them
    # @param session [Records::Session] their newest
    def initialize(house, athlete, session)
      @house = house
      @athlete = athlete
      @session = session
      @forms = FilledForms.new(Coach.app)
      @now = Time.now
    end

    # @return [Array<String>] ways that write and are measured neither here nor elsewhere
    def missing = Windlass::Web.routes["POST"].map { |pattern, *| pattern.to_s } - requests.keys - ELSEWHERE.keys

    # @return [Rack::MockResponse]
    # @raise [RuntimeError] where it was refused
    def send(request)
      answer = @forms.send(request)
      unless [200, 302, 303].include?(answer.status)
        raise "#{request.path}: #{answer.status} " \
          "#{Nokogiri.HTML5(answer.body).at("main")&.text.to_s.squeeze(" \n")[0, 600]}"
      end

      answer
    end

    # @return [Hash{String => Proc}] by route: gets ready, and returns the request
    def requests =
      {
        **people,
        **people_deeds,
        **measures,
        **protocols,
        **prescriptions,
        **sessions,
        **decisions,
        **squads,
        **programmes,
        **water,
        **log
      }

    private

    def at(path) = "/athletes/#{@athlete.id}#{path}"

    def button(path, **typed) = @forms.form(path, typed: typed)

    def form(path, from:, **typed) = @forms.form(path, from: from, typed: typed)

    def file(name, text, type: "text/plain") =
      Rack::Multipart::UploadedFile.new(io: StringIO.new(text), filename: name, content_type: type)

    def records = Windlass::Records

    # Of a list that begins with those who may have a score.
    def first_by_name =
      @first_by_name ||= Windlass::Presenters::MorningTable
        .new(Windlass::Presenters::AthleteFilter.new(records::Account.first, "/mornings"), day: today, today: today)
        .open
        .first

    def today = @now.to_date

    def prescription = @prescription ||= @athlete.prescriptions.open.order(:id).first

    def people
      somebody = {name: "Bench Halloran", born_on: "1990-03-04", sex: "female", height_cm: "170", mass_kg: "65"}
      several =
        "name,born,sex,height,mass\n" +
        Array.new(20) { |number| "Bench Row#{("a".ord + number).chr},1990-03-04,female,170,65\n" }.join
      {
        "/athletes" => -> { form("/athletes", from: "/athletes/new", **somebody) },
        "/athletes/several" => -> { form("/athletes/several", from: "/athletes/several", text: several) },
        "/athletes/:athlete_id/left" => -> { button(at("/left")) },
        "/athletes/:athlete_id/back" => -> { @athlete.update_columns(left_on: today).then { button(at("/back")) } },
        "/athletes/:athlete_id/morning-links/revoke" => -> { button(at("/morning-links/revoke")) },
        "/athletes/:athlete_id" => -> { form(at(""), from: at("/edit"), notes: "Seen by the bench") },
        "/athletes/:athlete_id/screening" => -> { form(at("/screening"), from: at("/screening"), **no_to_all) },
        "/athletes/:athlete_id/clearances" => -> do
          form(
            at("/clearances"),
            from: at("/screening"),
            clinician: "Dr Quill",
            given_on: today.iso8601,
            expires_on: (today + 90).iso8601,
            families: ["tables"]
          )
        end,
        "/athletes/:athlete_id/day" => -> { button(at("/day")) },
        "/control-pauses/:uuid/pause" => -> do
          pause = @athlete.measures.where(kind: "control_pause").last.uuid
          button("/control-pauses/#{pause}/pause", until_on: (today + 28).iso8601)
        end,
        "/mornings" => -> { form("/mornings", from: "/mornings", "scores[#{first_by_name.id}][seconds]": "24") },
        "/athletes/:athlete_id/cold" => -> do
          form(
            at("/cold"),
            from: at("/cold"),
            stage: "1",
            minutes: "2",
            calm: "true",
            why_out: "done",
            watcher: "Bench"
          )
        end,
        "/suspensions/:id/clearance" =>
          lambda do
            stop =
              Windlass::Actions::OpenStop.call(
                @athlete,
                "Blackout on 2 March 2026.",
                session: @session,
                now: @now - 86_400
              )
            form("/suspensions/#{stop.id}/clearance", from: at(""), clinician: "Dr Quill", cleared_on: today.iso8601)
          end,
        "/screenings/:id/correct" => -> do
          @athlete.screenings.last.id.then do |id|
            form("/screenings/#{id}/correct", :from => "/screenings/#{id}/correct", "answers[heart]" => "true")
          end
        end,
        "/clearances/:uuid/discard" => -> { button("/clearances/#{clearance}/discard") },
        "/clearances/:uuid/bring-back" => -> { button("/clearances/#{clearance(discarded_at: @now)}/bring-back") },
        "/colds/:uuid/discard" => -> { button("/colds/#{cold}/discard") },
        "/colds/:uuid/bring-back" => -> { button("/colds/#{cold(discarded_at: @now)}/bring-back") },
        "/place" => -> { form("/place", from: "/place", site: "By the bench") }
      }
    end

    def no_to_all = Windlass::Screening::MATRIX.conditions.to_h { |one| ["answers[#{one.id}]", "false"] }

    def clearance(**more)
      @athlete
        .clearances
        .create!(
          account_id: 1,
          uuid: SecureRandom.uuid,
          clinician: "Dr Quill",
          families: ["tables"],
          given_on: today,
          expires_on: today + 90,
          created_at: @now,
          **more
        )
        .uuid
    end

    def cold(**more) =
      @athlete
        .colds
        .create!(
          account_id: 1,
          uuid: SecureRandom.uuid,
          local_date: today,
          ended_at: @now,
          stage: 1,
          minutes: 2,
          calm: true,
          why_out: "done",
          **more
        )
        .uuid

    def pause = {seconds: "24", ended_by: "diaphragm", first_breath: "calm", on_waking: "true"}

    def measures
      newest = @athlete.measures.where(kind: "maximal_hold").last
      link = Windlass::MorningLinks.new(Windlass::Security.secret, maker: coach.id).path(@athlete)
      {
        "/athletes/:athlete_id/control-pauses" => -> do
          form(at("/control-pauses"), from: at("/control-pauses/new"), **pause)
        end,
        "/athletes/:athlete_id/measures/:kind" => -> do
          form(
            at("/measures/sustained_exhale"),
            from: at("/measures/sustained_exhale/new"),
            beats: "20",
            width: "yes",
            steady: "even"
          )
        end,
        "/morning/:token" => -> { form(link, from: link, **pause) },
        "/hiss" => -> { @forms.json("/hiss", {tempo: 60, levels_db: Array.new(200, -20.0), step_s: 0.05}) },
        "/measures/:uuid/correct" => -> do
          form("/measures/#{newest.uuid}/correct", from: "/measures/#{newest.uuid}/correct", value: "150")
        end,
        "/measures/:uuid/discard" => -> { button("/measures/#{newest.uuid}/discard") },
        "/measures/:uuid/bring-back" => -> do
          newest.update_columns(discarded_at: @now).then { button("/measures/#{newest.uuid}/bring-back") }
        end
      }
    end

    def protocols
      composed = {from: "/protocols/co2-table?athlete_id=#{@athlete.id}"}
      own = records::OwnProtocol.order(:id).first
      {
        "/protocols/:id" => -> { form("/protocols/co2-table", **composed) },
        "/protocols/:id/prescriptions" => -> do
          form("/protocols/co2-table/prescriptions", **composed, ends: running("co2-table"))
        end,
        "/protocols/:id/once" => -> { form("/protocols/co2-table/once", **composed) },
        "/own-protocols" => -> { form("/own-protocols", **composed, name: "Of the bench") },
        "/own-protocols/import" => -> do
          button("/own-protocols/import", file: file("own.yml", @house.get("/own-protocols/#{own.id}.yml").body))
        end,
        "/own-protocols/:id" => -> { form("/own-protocols/#{own.id}", from: "/own-protocols/#{own.id}") },
        "/own-protocols/:id/copy" => -> { button("/own-protocols/#{own.id}/copy") },
        "/own-protocols/:id/delete" => -> { button("/own-protocols/#{own.id}/delete") },
        "/own-protocols/:id/restore" => -> do
          own.update_columns(deleted_at: @now).then { button("/own-protocols/#{own.id}/restore") }
        end,
        "/own-protocols/:id/prescriptions" => -> do
          button("/own-protocols/#{own.id}/prescriptions", athlete_id: @athlete.id, ends: running(own.to_protocol.id))
        end
      }
    end

    # What a prescription of that family ends.
    def running(family) = @athlete.prescriptions.open.find_by(protocol: family)&.id

    # Prescribed a moment ago, in the place of another.
    def replacing =
      prescription
        .update_columns(state: "ended")
        .then do
          records::Prescription.create!(
            prescription.attributes.except("id").merge("state" => "active", "replaces_id" => prescription.id)
          ).id
        end

    def prescriptions
      path = "/prescriptions/#{prescription.id}"
      {
        "/athletes/:athlete_id/prescriptions" => -> { button(at("/prescriptions"), protocol: "quiet-breathing") },
        "/prescriptions/:id/sessions" => -> { button("#{path}/sessions", asked: "yes") },
        "/prescriptions/:id/by-itself" => -> { button("#{path}/by-itself", moves: "yes") },
        "/prescriptions/:id/limits" => -> { form("#{path}/limits", from: path) },
        "/prescriptions/:id/start" => -> do
          begun_nowhere.then do |id|
            form("/prescriptions/#{id}/start", from: "/prescriptions/#{id}", rung: "2", because: "Seen elsewhere")
          end
        end,
        "/prescriptions/:id/end" => -> { button("#{path}/end") },
        "/prescriptions/:id/withdraw" => -> { button("/prescriptions/#{replacing}/withdraw") },
        "/prescriptions/:id/reopen" => -> do
          prescription.update_columns(state: "ended").then { button("#{path}/reopen") }
        end,
        "/prescriptions/:id/write-in/read" => -> { button("#{path}/write-in/read", lines: written) },
        "/prescriptions/:id/write-in" => -> { form("#{path}/write-in", from: "#{path}/write-in", lines: written) }
      }
    end

    def begun_nowhere =
      Windlass::Actions::Prescribe.call(@athlete, Windlass::Protocols.find("belly-drill"), now: @now).id

    def written = "#{(today - 1).iso8601} effort 3"

    # Of a day ago, with nobody's word on it yet.
    def undecided = records::Session.kept.undecided.where(athlete_id: @athlete.id).order(:local_date, :id).last

    def sessions
      path = "/sessions/#{@session.uuid}"
      mark = ->(kind, **more) { {uuid: SecureRandom.uuid, kind: kind, at_ms: 1000, **more} }
      {
        "/sessions/:uuid/events" => -> do
          @forms.json(
            "/sessions/#{@house.running.uuid}/events",
            {events: Array.new(10) { |index| mark["hold_start", round: index + 1] }}
          )
        end,
        "/sessions/:uuid/twins" => -> { twin.then { |uuid| button("#{path}/twins", was: uuid) } },
        "/sessions/:uuid/end" => -> { button("/sessions/#{@house.running.uuid}/end") },
        "/sessions/:uuid/give-up" => -> { button("/sessions/#{undecided.uuid}/give-up", effort: "4") },
        "/sessions/:uuid/take-up" => -> do
          undecided.update_columns(given_up: true).then { button("/sessions/#{undecided.uuid}/take-up") }
        end,
        "/sessions/:uuid/discard" => -> do
          undecided
            .update_columns(written_in: "bench")
            .then { button("/sessions/#{undecided.uuid}/discard", effort: "4") }
        end,
        "/sessions/:uuid/bring-back" => -> do
          @session.update_columns(discarded_at: @now).then { button("#{path}/bring-back") }
        end,
        "/sessions/:uuid/photos" => -> do
          button(
            "#{path}/photos",
            photo:
              file(
                "page.png",
                File.binread("docs/screenshots/#{Dir.children("docs/screenshots").min}"),
                type: "image/png"
              )
          )
        end,
        "/sessions/:uuid/oximeter" => -> do
          button(
            "#{path}/oximeter",
            trace: file("trace.csv", "time,saturation,pulse\n" + Array.new(600) { |second| "#{second},97,61\n" }.join)
          )
        end,
        "/sessions/:uuid/verdict" => -> { button("#{path}/verdict", effort: "4") },
        "/sessions/:uuid/rating" => -> { form("#{path}/rating", from: path, effort: "4") }
      }
    end

    def twin =
      @session.dup.tap { |one| one.update!(uuid: SecureRandom.uuid, twin_of_id: @session.id, twin_settled: false) }.uuid

    def decisions
      {
        "/sessions/:uuid/decision" => -> do
          judged.then do |session, verdict|
            form(
              "/sessions/#{session.uuid}/decision",
              from: "/sessions/#{session.uuid}",
              seen: verdict,
              decided: "accept"
            )
          end
        end,
        "/sessions/:uuid/accept" => -> do
          plain.first.then { |session| button("/sessions/#{session.uuid}/accept", seen: session.proposed_verdict) }
        end,
        "/decisions" => -> do
          button("/decisions", **plain.to_h { |session| ["seen[#{session.uuid}]", session.proposed_verdict] })
        end,
        "/moves/:id/back" => -> { button("/moves/#{decided.id}/back") },
        "/moves/:id/keep" => -> do
          decided
            .tap { |move| move.update_columns(verdict_now: "ease", reason_now: "Edited") }
            .then { |move| button("/moves/#{move.id}/keep") }
        end
      }
    end

    def judged = undecided.then { |session| [session, Windlass::Queries::JudgeDay.call(session).verdict.to_s] }

    def plain =
      @plain ||=
        records::Session
          .kept
          .undecided
          .where(proposed_plain: true)
          .order(local_date: :desc)
          .includes(:athlete)
          .to_a
          .uniq(&:athlete_id)
          .first(AT_ONCE.fetch("/decisions"))

    def decided
      session = undecided
      Windlass::Actions::Decide.call(
        session,
        Windlass::Queries::JudgeDay.call(session),
        decided: :repeat,
        because: "Seen",
        now: @now
      )
    end

    def squads
      twelve = @house.squad.sessions.map(&:prescription_id)
      path = "/squads/#{@house.squad.uuid}"
      {
        "/squads" => -> { button("/squads", prescription: twelve) },
        "/squads/:uuid" => -> { form(path, from: path, deed: "arrange") },
        "/squads/:uuid/smooth" => -> { ran(@house.squad.sessions) && button("#{path}/smooth") },
        "/take-along" => -> { button("/take-along", prescription: twelve) }
      }
    end

    # Nobody rated a first breath.
    def ran(sessions)
      sessions.each do |session|
        holds = session.to_timeline.holds
        marks =
          holds.flat_map do |place|
            [["hold_start", place.start_ms, place.number], ["hold_end", place.end_ms, place.number]]
          end
        events =
          [["start", 0, nil], *marks, ["finish", session.to_timeline.total_ms, nil]].map do |kind, at_ms, round|
            {uuid: SecureRandom.uuid, kind: kind, at_ms: at_ms, round: round}
          end
        Windlass::Actions::KeepJournal.call(records::Session.find(session.id), events, now: @now)
      end
    end

    def programmes
      group = records::Group.all.find { |one| one.slots.any? }
      planned = records::PlannedSession.in_order.last
      away = "/athletes/#{planned.athlete_id}"
      event = {local_date: (today + 40).iso8601, kind: "competition", name: "Of the bench"}
      {
        "/groups" => -> { form("/groups", from: "/groups/new", name: "Of the bench") },
        "/groups/:id" => -> { form("/groups/#{group.id}", from: "/groups/#{group.id}/edit") },
        "/groups/:id/events" => -> { form("/groups/#{group.id}/events", from: "/groups/#{group.id}", **event) },
        "/athletes/:athlete_id/events" => -> { form("#{away}/events", from: "#{away}/programme", **event) },
        "/events/:id/remove" => -> { button("/events/#{records::Event.last.id}/remove") },
        "/athletes/:athlete_id/times" => -> { form("#{away}/times", from: "#{away}/times") },
        "/athletes/:athlete_id/programme/send" => -> {
          button("#{away}/programme/send", post_to: "ines@quay.example")
        },
        "/athletes/:athlete_id/programme/anew" => -> { button("#{away}/programme/anew") },
        "/athletes/:athlete_id/programme/end" => -> { button("#{away}/programme/end") },
        "/athletes/:athlete_id/absences" => -> do
          form("#{away}/absences", from: "#{away}/programme", from_on: today.iso8601, to_on: (today + 3).iso8601)
        end,
        "/absences/:id/remove" => -> { button("/absences/#{records::Absence.last.id}/remove") },
        "/athletes/:athlete_id/feed" => -> { button(at("/feed")) },
        "/groups/:id/feed" => -> { button("/groups/#{group.id}/feed") },
        "/feeds/:id/revoke" => -> do
          button(
            "/feeds/#{records::Feed.create!(athlete: @athlete, secret: SecureRandom.hex, made_at: @now).id}/revoke"
          )
        end,
        "/planned/:uuid/move" => -> do
          button(
            "/planned/#{planned.uuid}/move",
            date: planned.local_date.iso8601,
            at_min: planned.at_min,
            seen: planned.sequence
          )
        end,
        "/planned/:uuid/back" => -> do
          planned
            .update_columns(fixed: true, moved_from_on: planned.local_date, moved_from_min: planned.at_min)
            .then { button("/planned/#{planned.uuid}/back", seen: planned.sequence) }
        end
      }
    end

    def water
      pair = records::Athlete.where(left_on: nil).order(:id).first(2)
      {
        "/water" => -> { button("/water", "clear" => pair.map(&:id), **pair.to_h { |one| ["pair[#{one.id}]", "1"] }) },
        "/dives" => -> do
          @forms.json(
            "/dives",
            {
              uuid: SecureRandom.uuid,
              athlete_id: @athlete.id,
              down_ms: (@now.to_i - 600) * 1000,
              seconds: 60,
              depth_m: 8
            }
          )
        end,
        "/dives/:uuid/correct" => -> do
          dive.then { |uuid| form("/dives/#{uuid}/correct", from: "/dives/#{uuid}/correct") }
        end,
        "/dives/:uuid/discard" => -> { button("/dives/#{dive}/discard") },
        "/dives/:uuid/bring-back" => -> { button("/dives/#{dive(discarded_at: @now)}/bring-back") },
        "/athletes/:athlete_id/dives" => -> do
          dive.then { button(at("/dives"), dives: file("dives.uddf", @house.get(at("/dives.uddf")).body)) }
        end
      }
    end

    def dive(**more) =
      records::Dive.create!(
        account_id: 1,
        athlete: @athlete,
        uuid: SecureRandom.uuid,
        local_date: today,
        down_at: @now - 600,
        seconds: 60,
        depth_m: 8,
        **more
      ).uuid

    def log
      {
        "/log/table" => -> do
          button(
            "/log/table",
            text:
              "athlete,date,holds\n" +
                Array.new(20) { |day| "#{@athlete.name},#{(today - day).iso8601},\"30 31 32\"\n" }.join
          )
        end
      }
    end
  end
end
