# frozen_string_literal: true

require "json"
require "rack/mock"
require "zlib"
require_relative "../../app/rooms"
require_relative "coach"
require_relative "deeds"

module Bench
  # What pages and deeds cost in a house: processor time, statements, rows, bytes, allocations. Runs in a process of its
  # own.
  class MeasuredHouse
    TIMES = 40
    TIMES_UNDONE = 30
    WARM = 3
    # Files are as long as what stands in them.
    FILES = %r{\A/(?:photos/|feeds/)|\.(?:csv|ics|js|json|mid|pdf|svg|uddf|wav|webmanifest|yml)\z}
    # What Ruby compiles on the way is compiled by then.
    ROUNDS_BEFORE = 3
    # They lead to a page that is measured.
    LEADING_ON = %w[
      /protocols/:id/prescriptions /protocols/:id/once /own-protocols /sessions/:uuid/follow /squads/:uuid/follow /setup
      /devices/who
    ].freeze
    # Tables that grow with the years: a walk through one of them is a walk through all of it.
    GROWING = %w[sessions rounds journal_events measures moves days].freeze

    # @param path [String] of the database
    def initialize(path)
      Windlass::Database.connect(path)
      Windlass::Records::Record.connection.execute("PRAGMA foreign_keys = ON")
      @server = Rack::MockRequest.new(Coach.app)
      @athlete = Windlass::Records::Athlete.find(1)
      @session = @athlete.sessions.kept.order(:local_date, :id).last
    end

    # @return [Array<String>] an address for each page of the routing table that is a page: what is a file is none
    def addresses
      @addresses ||= plain_addresses + further_addresses + addresses_of_people
    end

    def plain_addresses
      group = Windlass::Records::Group.first
      measure = @athlete.measures.where.not(kind: "control_pause").last
      pause = @athlete.measures.where(kind: "control_pause").order(:taken_at).last
      [
        "/",
        "/?group=#{group.id}",
        "/athletes",
        "/athletes?order=pause",
        "/athletes?order=idle&page=2",
        "/athletes?search=mar",
        "/athletes/new",
        "/athletes/several",
        "/athletes/1",
        "/athletes/1/edit",
        "/athletes/1/screening",
        "/athletes/1/measures",
        "/athletes/1/measures/control_pause",
        "/athletes/1/measures/control_pause?order=highest&page=3",
        "/athletes/1/measures/maximal_hold/new",
        "/athletes/1/control-pauses/new",
        "/control-pauses/#{pause.uuid}",
        "/measures/#{measure.uuid}",
        "/measures/#{measure.uuid}/correct",
        "/athletes/1/cold",
        "/athletes/1/dives",
        "/athletes/1/programme",
        "/athletes/1/programme/plan",
        "/athletes/1/times",
        "/prescriptions/#{@session.prescription_id}",
        "/prescriptions/#{@session.prescription_id}/write-in",
        "/sessions/#{@session.uuid}",
        "/sessions/#{@session.uuid}/deck",
        "/log",
        "/log?athlete_id=1&order=hardest",
        "/log?symptom=any",
        "/log?verdict=ease",
        "/log?verdict=stop",
        "/protocols",
        "/protocols?athlete_id=1",
        "/protocols/co2-table?athlete_id=1",
        "/own-protocols/1",
        "/programme?all=1",
        "/programme/load",
        "/groups/#{group.id}",
        "/groups/#{group.id}/edit",
        "/groups/#{group.id}/plan",
        "/planned/#{Windlass::Records::PlannedSession.in_order.last.uuid}",
        "/water",
        "/bench",
        "/bench/log",
        "/mornings",
        "/rules",
        "/place",
        "/along",
        "/groups/new",
        "/token"
      ]
    end

    # Of what is not in every house, and of squads.
    def further_addresses
      records = Windlass::Records
      planned = records::PlannedSession.in_order.last
      group = records::Group.all.find { |one| one.slots.any? }
      screening = @athlete.screenings.last
      dive =
        records::Dive.first ||
        records::Dive.create!(
          account_id: 1,
          athlete: @athlete,
          uuid: SecureRandom.uuid,
          local_date: Date.today,
          down_at: Time.now - 600,
          seconds: 60,
          depth_m: 8
        )
      [
        Windlass::MorningLinks.new(Windlass::Security.secret, maker: Coach.person.id).path(@athlete),
        "/water/clock?pairs=1-2",
        "/screenings/#{screening.id}/correct",
        "/dives/#{dive.uuid}/correct",
        "/groups/#{group.id}/planning",
        "/athletes/#{planned.athlete_id}/programme/anew",
        "/planned/#{planned.uuid}/choices.json",
        "/groups/#{group.id}/slots/#{group.slots.first.id}/fit",
        "/sessions/#{@session.uuid}/told",
        "/sessions/#{@session.uuid}/oximeter?at=0",
        *["", "/deck", "/told"].map { |part| "/squads/#{squad.uuid}#{part}" },
        *["", ".svg", "/told"].map do |part|
          "#{Windlass::FollowLinks.new(Windlass::Security.secret, maker: Coach.person.id).path(squad)}#{part}"
        end
      ]
    end

    # Who may do what, and what a link opens.
    def addresses_of_people
      now = Time.now
      coach = Coach.person
      ask = {by: coach, now: now}
      actions = Windlass::Actions
      form = Windlass::Forms::RoleForm.parse({"kind" => "coach", "of" => "all"})
      own = Windlass::Records::Session.kept.where(athlete_id: Coach.themselves.id).order(:id).last
      laid = actions::LaySets.call(Coach.themselves, now: now).first(1)
      invited = actions::Invite.call(Windlass::Records::Account.first, form, **ask)
      [
        "/people", "/people/trace", "/my-sign-in", "/mine", "/mine/felt", "/mine/morning", "/mine/times",
        "/mine/sessions/#{own.uuid}", "/devices/code", "/today/alone",
        *laid.map { |one| "/mine/decks/#{one.set.uuid}" },
        *%w[consent devices coaches].map { |page| "/athletes/1/#{page}" },
        "/consents/#{actions::KeepConsent.link(@athlete, **ask)}",
        "/letters/#{actions::AskClinician.call(@athlete, **ask)}",
        "/devices/#{actions::BindDevice.link(@athlete, **ask)}",
        "/invitations/#{invited}",
        *["", "/bar"].map { |part| "/imports/#{import.uuid}#{part}" }
      ]
    end

    # @return [Records::Import] that waits
    def import =
      @import ||= Windlass::Records::Import.keep(
        Windlass::Records::Account.first, kind: Windlass::Imports::KINDS.keys.first, bytes: "x", about: {},
        now: Time.now, person_id: Coach.person.id
      )

    # Twelve lanes, planned for today.
    def squad
      @squad ||=
        Windlass::Records::Squad.order(:id).last ||
        begin
          now = Time.now
          able =
            Windlass::Records::Prescription
              .open
              .where(protocol: %w[quiet-breathing small-holds])
              .order(:id)
              .uniq(&:athlete_id)
              .select { |one| start(one, now)&.state == "planned" }
              .first(Windlass::Squad::LANES.max)
          Windlass::Actions::PlanSquad.call(Windlass::Records::Account.first, able, now: now)
        end
    end

    def start(prescription, now)
      Windlass::Actions::KeepDay.call(prescription.athlete, {}, now: now)
      Windlass::Actions::PlanSession.call(prescription, now: now)
    rescue Windlass::Error
      nil
    end

    # Of a process that has been in use: each page was seen in it before. What is over its bar is measured again at the
    # end, twice at most: a machine that was busy with something else is not busy then, and what is slow is slow again.
    # @param bars [#call] milliseconds at the 95th percentile, by name
    # @return [Array(Hash{String => Hash}, Hash{String => Hash})] pages by address, deeds by name
    def costs(bars)
      ROUNDS_BEFORE.times { addresses.each { |address| get(address) } }
      costs = [pages, deeds].map { |ways| ways.transform_values(&:call) }
      2.times do
        costs.zip([pages, deeds]) do |known, ways|
          known.each do |name, cost|
            if cost[:p95] > bars.call(name)
              known[name] = [cost, ways.fetch(name).call].min_by { |one| one[:p95] }
                .merge(again: cost[:again].to_i + 1)
            end
          end
        end
      end
      costs
    end

    # @return [Hash{String => Proc}] by address
    def pages = addresses.to_h { |address| [address, -> { cost { get(address) } }] }

    def get(address)
      answer = @server.get(address, "HTTP_HOST" => "127.0.0.1", "HTTP_ACCEPT_ENCODING" => "gzip")
      raise "#{address}: #{answer.status}" unless answer.status == 200

      answer
    end

    # Deeds as a coach does them, each taken back: every way of the routing table that writes, and what else takes long.
    # @return [Hash{String => Proc}] by name
    def deeds
      @deeds ||=
        requests
          .requests
          .transform_values { |ready| -> { undone(ready) { |request| requests.send(request) } } }
          .merge(further_deeds.transform_values { |deed| -> { undone { deed.call } } })
    end

    # @return [Array<String>] ways of the routing table that are measured nowhere
    def missing
      pages =
        Windlass::Web.routes["GET"]
          .map(&:first)
          .reject do |pattern|
            pattern.to_s.match?(FILES) || LEADING_ON.include?(pattern.to_s) ||
              addresses.any? { |address| pattern.match(address[/\A[^?]+/]) }
          end
      pages.map { |pattern| "GET #{pattern}" } + requests.missing.map { |pattern| "POST #{pattern}" }
    end

    def requests = @requests ||= Deeds.new(self, @athlete, @session)

    def further_deeds
      now = Time.now
      days = {
        "rate a session of today's week" => 3,
        "rate a session of a month ago" => 29,
        "rate a session of a quarter ago" => 80
      }
      rated =
        days.to_h do |name, back|
          [name, @athlete.sessions.kept.where(local_date: ..(now.to_date - back)).order(:local_date, :id).last]
        end
      deeds =
        rated.compact.to_h do |name, session|
          [
            name,
            -> do
              Windlass::Actions::RateSession.call(
                anew(session),
                {effort: 4, symptoms: [], note: "", rounds: {}},
                now: now
              )
            end
          ]
        end
      deeds.merge(
        "keep ten marks after the end" => -> do
          Windlass::Actions::KeepJournal.call(anew(@session), marks("first_breath", value: "smooth"), now: now)
        end,
        "learn from a first urge" => -> { Windlass::Actions::LearnFromLog.call(@athlete, now: now) }
      )
    end

    # Put on the deck, and begun.
    def running
      @running ||=
        Windlass::Actions::PlanSession
          .call(@athlete.prescriptions.open.order(:id).first, now: Time.now)
          .tap do |session|
            Windlass::Actions::KeepJournal.call(
              session,
              [{uuid: SecureRandom.uuid, kind: "start", at_ms: 0}],
              now: Time.now
            )
          end
    end

    # @return [Array<String>] statements of the pages and of the deeds that walk through a table that grows
    def walks
      seen = []
      count =
        lambda do |_, _, _, _, payload|
          seen << [payload[:sql], payload[:type_casted_binds]] unless %w[SCHEMA TRANSACTION].include?(payload[:name])
        end
      asked = ->(&asks) { ActiveSupport::Notifications.subscribed(count, "sql.active_record", &asks) }
      asked.call { addresses.each { |address| get(address) } }
      requests.requests.each_value do |ready|
        undo { ready.call.then { |request| asked.call { requests.send(request) } } }
      end
      seen
        .uniq(&:first)
        .filter_map do |sql, binds|
          next unless sql.start_with?("SELECT", "WITH", "UPDATE", "DELETE")

          binds = binds.call if binds.respond_to?(:call)
          plan =
            Windlass::Records::Record
              .connection
              .raw_connection
              .execute("EXPLAIN QUERY PLAN #{sql}", binds || [])
              .map { |row| row.is_a?(Hash) ? row["detail"] : row.last }
          # What asks for nothing, walks nowhere.
          next if sql.include?("WHERE 1=0")

          walk = plan.find { |line| GROWING.any? { |table| line.match?(/\ASCAN #{table}\b/) } }
          "#{walk}: #{sql[0, 300]}" if walk
        end
    end

    private

    # As a request finds it; what was taken back leaves its traces in a record.
    def anew(session) = Windlass::Records::Session.find(session.id)

    def marks(kind, value: nil) =
      Array.new(10) do |index|
        {uuid: SecureRandom.uuid, kind: kind, at_ms: 1000 * index, round: index + 1, value: value}
      end

    def cost(&asked) = summed(Array.new(WARM + TIMES) { sample(&asked) })

    # @param ready [Proc, nil] gets ready what is then measured
    def undone(ready = nil)
      summed(Array.new(WARM + TIMES_UNDONE) { undo { ready&.call.then { |request| sample { yield request } } } })
    end

    def sample
      # As the server does between two answers.
      Windlass::GarbageCollection.between_answers
      statements = rows = 0
      watch =
        lambda do |_, _, _, _, payload|
          (statements += 1) && (rows += payload[:row_count].to_i) unless %w[SCHEMA TRANSACTION].include?(payload[:name])
        end
      allocated = GC.stat(:total_allocated_objects)
      began = Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID)
      answer = ActiveSupport::Notifications.subscribed(watch, "sql.active_record") { yield }
      cpu = (Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID) - began) * 1000
      {
        cpu: cpu,
        statements: statements,
        rows: rows,
        allocated: GC.stat(:total_allocated_objects) - allocated,
        gzipped: answer.is_a?(Rack::MockResponse) ? Zlib.gzip(answer.body).bytesize : 0
      }
    end

    def summed(samples)
      samples = samples.drop(WARM)
      times = samples.map { |one| one[:cpu] }.sort
      samples.last.merge(cpu: times[times.size / 2], p95: times[(times.size * 0.95).floor])
    end

    def undo
      answer = nil
      Windlass::Records::Record.transaction do
        answer = yield
        raise ActiveRecord::Rollback
      end
      answer
    end
  end
end
