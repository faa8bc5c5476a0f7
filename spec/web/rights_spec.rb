# frozen_string_literal: true

require "web_helper"

# Every route, as every role, with what is theirs, another's, and nobody's.
RSpec.describe "Rights", :web, :both_databases do
  # An athlete with something of everything.
  def life(name)
    athlete = make_athlete(name: name)
    pause = make_pause(athlete)
    holds = prescribe(athlete)
    sets = Array.new(2) { run_set(holds) }
    move =
      Windlass::Actions::Decide.call(
        sets.last,
        Windlass::Queries::JudgeDay.call(sets.last),
        decided: :repeat,
        because: "x",
        now: clock.now
      )
    group = Windlass::Records::Group.create!(account: account, name: "Group of #{name}", athletes: [athlete])
    squad =
      Windlass::Records::Squad.create!(
        account_id: account.id,
        uuid: SecureRandom.uuid,
        local_date: clock.now.to_date,
        planned_at: clock.now,
        gap_s: 8,
        latest_s: 300
      )
    planned = plan(holds)
    planned.update!(squad: squad, lane: 0, starts_s: 0)
    programme =
      Windlass::Records::Programme.create!(
        account_id: account.id,
        athlete: athlete,
        group: group,
        starts_on: clock.now.to_date,
        weeks: 2,
        planned_at: clock.now,
        loads: [],
        left_out: []
      )
    {
      hold:
        athlete.measures.create!(
          account_id: account.id,
          uuid: SecureRandom.uuid,
          kind: "maximal_hold",
          value: 90,
          taken_at: clock.now - 9 * 86_400,
          details: {
            seconds: 90,
            first_breath: "smooth",
            eventful: "no"
          }
        ),
      athlete: athlete,
      pause: pause,
      prescription: holds,
      session: sets.last,
      move: move,
      group: group,
      squad: squad,
      slot: group.slots.create!(day: 1, at_min: 420, minutes: 40),
      event: group.events.create!(local_date: clock.now.to_date + 20, kind: "concert"),
      absence:
        Windlass::Records::Absence.create!(
          athlete: athlete,
          from_on: clock.now.to_date,
          to_on: clock.now.to_date,
          because: "x"
        ),
      suspension:
        athlete.suspensions.create!(
          account_id: account.id,
          kind: "stop",
          opened_at: clock.now,
          reason: "A fit.",
          session: sets.first
        ),
      dive:
        Windlass::Records::Dive.create!(
          account_id: account.id,
          athlete: athlete,
          uuid: SecureRandom.uuid,
          local_date: clock.now.to_date,
          down_at: clock.now - 900,
          seconds: 60,
          depth_m: 5
        ),
      cold:
        athlete.colds.create!(
          account_id: account.id,
          uuid: SecureRandom.uuid,
          stage: 0,
          minutes: 2,
          calm: true,
          why_out: "done",
          local_date: clock.now.to_date,
          ended_at: clock.now
        ),
      photo:
        Windlass::Records::Photo.create!(
          account_id: account.id,
          session: sets.last,
          uuid: SecureRandom.uuid,
          media_type: "image/png",
          bytes: "x",
          kept_at: clock.now
        ),
      planned:
        programme.planned_sessions.create!(
          athlete_id: athlete.id,
          prescription: holds,
          uuid: SecureRandom.uuid,
          local_date: clock.now.to_date + 1,
          at_min: 420,
          begins_min: 420,
          slot_minutes: 40,
          rung: 0,
          seconds: 840,
          hold_seconds: 130,
          dose_words: "13 holds",
          reasons: []
        ),
      feed:
        Windlass::Records::Feed.create!(athlete: athlete, secret: SecureRandom.urlsafe_base64(24), made_at: clock.now)
    }
  end

  # Which row an address is about, by how it begins.
  rows = {
    "athletes" => %i[athlete id],
    "prescriptions" => %i[prescription id],
    "sessions" => %i[session uuid],
    "squads" => %i[squad uuid],
    "measures" => %i[hold uuid],
    "control-pauses" => %i[pause uuid],
    "dives" => %i[dive uuid],
    "colds" => %i[cold uuid],
    "moves" => %i[move id],
    "groups" => %i[group id],
    "suspensions" => %i[suspension id],
    "planned" => %i[planned uuid],
    "photos" => %i[photo uuid],
    "absences" => %i[absence id],
    "events" => %i[event id],
    "feeds" => %i[feed id]
  }

  # @return [String, nil] the address of somebody's row; nil of a route that is about nobody's
  define_method(:address) do |path, whose|
    first = path.split("/")[1]
    row, key = rows[first]
    return unless row && path.include?(":") && path !~ /:secret|:token/

    path
      .sub(/:(athlete_id|id|uuid)/, whose.fetch(row)[key].to_s)
      .gsub(":slot_id", whose.fetch(:slot).id.to_s)
      .gsub(":kind", "maximal_hold")
      .gsub(":id", "0")
  end

  def seat(*roles)
    person =
      Windlass::Records::Person.create!(
        account_id: account.id,
        uuid: SecureRandom.uuid,
        name: "Somebody",
        login: SecureRandom.hex(4),
        made_at: clock.now
      )
    roles.each { |role| person.roles.create!(from_on: Date.new(2020, 1, 1), **role) }
    WebHelpers.seated = person.reload
  end

  # Asks, and takes back whatever came of it.
  def asked(verb, path)
    ActiveRecord::Base.transaction(requires_new: true) do
      (verb == "GET") ? get(path) : post(path, "authenticity_token" => @token, "person" => @another)
      raise ActiveRecord::Rollback
    end
    last_response.status
  end

  routes = all = Windlass::Rights::ROUTES.map { |route, right| [*route.split(" ", 2), right] }
  # On the second database others of them with each seed: what it answers otherwise is a matter of a few statements.
  routes = Many.some(routes) if ENV["WINDLASS_TEST_URL"]
  # What names nobody's row.
  anywhere = {"/own-protocols/(\\d+)\\.yml" => "/own-protocols/0.yml"}

  it "open to each role what is theirs, and nothing else: not found is what everybody else hears" do
    own, other = life("Ines Aldaya"), life("Odd Falkenrath")
    roles = {
      nobody: [],
      keeper: [{kind: "keeper"}],
      coach: [{kind: "coach", athlete: own[:athlete]}],
      coach_of_the_group: [{kind: "coach", group: own[:group]}],
      coach_until_yesterday: [{kind: "coach", athlete: own[:athlete], until_on: clock.now.to_date - 1}],
      assistant: [{kind: "assistant", group: own[:group]}],
      athlete: [{kind: "athlete", athlete: own[:athlete]}]
    }
    gives = {
      keeper: %i[keeps signed_in],
      coach: %i[coaches runs decks marks signed_in],
      coach_of_the_group: %i[coaches runs decks marks signed_in],
      coach_until_yesterday: [],
      assistant: %i[runs decks marks signed_in],
      athlete: %i[own decks marks signed_in],
      nobody: []
    }
    @another = seat({kind: "keeper"}).id
    wrong = []
    tried = 0
    roles.each do |role, held|
      (role == :nobody) ? (WebHelpers.seated = false) : seat(*held)
      get("/token")
      @token = JSON.parse(last_response.body).fetch("token")
      routes.each do |verb, path, right|
        next if right == :anyone

        {own: own, other: other, none: own}.each do |whose, life|
          asked_for = address(path, life)
          asked_for = asked_for&.sub(/\d+|\h{8}-[\h-]{27}/, "999999") if whose == :none
          next if asked_for.nil? && whose != :own

          asked_for ||= anywhere.fetch(path) { path.gsub(/:\w+/, "0") }
          status = asked(verb, asked_for)
          tried += 1
          closed =
            if role == :nobody
              (verb == "GET") ? [302, 303] : [401]
            else
              [404]
            end
          open = gives.fetch(role).include?(right) && (whose == :own)
          # A second number, or one of nobody's row, is of something that is not there.
          next if open && (address(path, own).nil? ? path.match?(/:|\\d/) : path.scan(":").size > 1)

          if open ? [401, 403, 404].include?(status) : !closed.include?(status)
            wrong << [role, verb, path, whose, status]
          end
        end
      end
    end
    expect(wrong.map { |one| one.join(" ") }.join("\n")).to eq ""
    expect(tried).to be > (routes.equal?(all) ? 2000 : 200)
  end

  it "are closed where a route names none: the application does not start" do
    expect { Class.new(Windlass::Web).get("/x") { "x" } }.to raise_error(
      Windlass::Error,
      "GET /x names no right: it is closed."
    )
    expect { Class.new(Windlass::Web).get("/x", may: :fly) { "x" } }.to raise_error(Windlass::Error, /:fly is no right/)
  end

  it "keep every list, chart and file to what is theirs" do
    own, other = life("Ines Aldaya"), life("Odd Falkenrath")
    seat({kind: "coach", athlete: own[:athlete]})
    pages = %w[
      /
      /athletes
      /log
      /programme
      /programme/load
      /water
      /protocols
      /bench
      /log/sessions.csv
      /log/holds.csv
      /log/dives.csv
    ]
    pages.each do |path|
      get(path)
      follow_redirect! while last_response.redirect?
      expect([path, last_response.status, last_response.body.include?("Falkenrath")]).to eq [path, 200, false]
    end
    # Another's number in a field is no door either.
    get("/token")
    token = JSON.parse(last_response.body).fetch("token")
    theirs = -> do
      [other[:athlete].reload, other[:session].reload].map(&:attributes) << Windlass::Records::Session.count
    end
    before = theirs.call
    [
      ["/squads", {"prescription[]" => other[:prescription].id}],
      ["/take-along", {"prescription[]" => other[:prescription].id}],
      ["/water", {"pairs[#{other[:athlete].id}]" => own[:athlete].id}],
      ["/decisions", {"seen[#{other[:session].uuid}]" => "repeat"}],
      ["/groups/#{own[:group].id}", {"name" => "Mine", "members[]" => other[:athlete].id}],
      ["/dives", {"athlete_id" => other[:athlete].id}]
    ].each { |path, fields| post(path, fields.merge("authenticity_token" => token)) }
    expect(theirs.call).to eq before
    expect(own[:group].reload.athletes.map(&:name)).not_to include "Odd Falkenrath"
  end

  it "end with the role, also on a page that stood open; and who sees by a group sees who is in it" do
    own = life("Ines Aldaya")
    coach = seat({kind: "coach", group: own[:group]})
    get("/athletes/#{own[:athlete].id}")
    expect(last_response.status).to eq 200
    Windlass::Records::Member.where(group_id: own[:group].id).delete_all
    get("/athletes/#{own[:athlete].id}")
    expect(last_response.status).to eq 404
    own[:group].reload.athletes = [own[:athlete]]
    get("/athletes/#{own[:athlete].id}")
    expect(last_response.status).to eq 200
    coach.roles.each do |role|
      Windlass::Actions::GiveRole.end(role, now: clock.now)
    end
    get("/athletes/#{own[:athlete].id}")
    expect(last_response.status).to eq 404
  end

  it "stand in docs/rights.md as they are" do
    expect(
      File.read(File.expand_path("../../docs/rights.md", __dir__))
    ).to eq Windlass::Presenters::RightsTable.new.markdown
  end
end
