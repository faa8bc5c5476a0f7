# frozen_string_literal: true

require "web_helper"

RSpec.describe "People", :web, :both_databases do
  def trace = Windlass::Records::TraceEntry.order(:id).to_a

  def person(login = SecureRandom.hex(4), *roles)
    Windlass::Records::Person.create!(
      account_id: account.id, uuid: SecureRandom.uuid, name: login.capitalize, login: login, made_at: clock.now
    ).tap { |one| roles.each { |role| one.roles.create!(from_on: Date.new(2020, 1, 1), **role) } }
  end

  def press(from, path, **fields)
    get(from)
    post(path, fields.merge(authenticity_token: page.at("[name=authenticity_token]")["value"]))
  end

  it "are invited by a link that is shown once, taken once, and worth nothing after a week" do
    group = Windlass::Records::Group.create!(account: account, name: "Choir", athletes: [make_athlete])
    press("/people", "/people/invitations", kind: "assistant", of: "group #{group.id}")
    get("/people")
    link = page.at(".secret-link").text.strip[%r{/invitations/\S+}]
    expect(Windlass::Records::Invitation.sole.attributes.values.map(&:to_s)).to all(satisfy { |one|
      !one.include?(link.split("/").last)
    })
    get("/people")
    expect(page.at(".secret-link")).to be_nil

    WebHelpers.seated = false
    get(link)
    expect(text).to include "You are asked to be assistant"
    press(link, link, name: "Lene", login: "lene", password: "short")
    expect([last_response.status, text]).to match [422, /password: has 5 characters/]
    press(link, link, name: "Lene", login: "lene", password: "barge lantern tide mole")
    expect(last_response["location"]).to end_with "/sign-in"
    lene = Windlass::Records::Person.find_by!(login: "lene")
    expect(lene.roles.map(&:in_words)).to eq ["assistant of Choir"]
    get(link)
    expect(last_response.status).to eq 404

    WebHelpers.seated = nil
    press("/people", "/people/invitations", kind: "coach", of: "all")
    get("/people")
    late = page.at(".secret-link").text.strip[%r{/invitations/\S+}]
    clock.now += 8 * 86_400
    WebHelpers.seated = false
    get(late)
    expect(last_response.status).to eq 404
  end

  it "are given only what the form may give: no role comes in by another name of a field" do
    athlete = make_athlete
    somebody = person("tobias")
    get("/people")
    press(
      "/people", "/people/#{somebody.id}/roles",
      kind: "assistant", of: "all", of_all: "true", athlete_id: athlete.id, person_id: WebHelpers.seated.id
    )
    expect([last_response.status, somebody.roles.count]).to eq [422, 0]
    press("/people", "/people/#{somebody.id}/roles", kind: "athlete", of: "athlete #{athlete.id}")
    expect([last_response.status, somebody.roles.count]).to eq [422, 0]
    press("/people", "/people/#{somebody.id}/roles", kind: "coach", of: "all", until_on: "2026-03-20")
    expect(somebody.roles.reload.map { |role| [role.in_words, role.until_on] }).to eq [
      ["coach of everybody", Date.new(2026, 3, 20)]
    ]
  end

  it "are given nothing that nobody chose: what is wrong stands beside whom it was meant for" do
    tobias = person("tobias")
    press("/people", "/people/#{tobias.id}/roles", kind: "assistant", of: "all", until_on: "2026-05-01")
    open = Nokogiri.HTML5(last_response.body).at(".person details[open]")
    expect([last_response.status, open.text, open.at("[name=until_on]")["value"], tobias.roles.count]).to match(
      [422, include("Of: an assistant is given a group, not everybody"), "2026-05-01", 0]
    )
  end

  it "are never without a keeper, and close nobody's door on themselves" do
    get("/people")
    keeper = WebHelpers.seated
    press("/people", "/people/roles/#{keeper.roles.find_by!(kind: "keeper").id}/end")
    expect([last_response.status, text]).to match [422, /Somebody has to keep the house/]
    press("/people", "/people/#{keeper.id}/close")
    expect([last_response.status, text]).to match [422, /can not close your own/]
    other = person("tobias", {kind: "coach", of_all: true})
    press("/people", "/people/#{other.id}/close")
    expect([other.reload.closed?, other.roles_on(clock.now.to_date)]).to eq [true, []]
  end

  it "who train alone are coach and athlete at once, with the first athlete that they add; a second one is not them" do
    WebHelpers.seated = WebHelpers.keeper
    account.update!(alone: true)
    ines = {
      name: "Ines", born_on: "1995-04-01", sex: "female", height_cm: "169", mass_kg: "61",
      "disciplines[]": "freediving",
      control_pause_use: "primary", nervous: "false", sleep_signs: "false"
    }
    press("/athletes/new", "/athletes", **ines)
    press("/athletes/new", "/athletes", **ines, name: "Odd")
    expect(WebHelpers.seated.roles.reload.map(&:in_words)).to match_array ["keeper", "coach of everybody",
      "athlete of Ines"]
    get("/mine")
    expect([last_response.status, text]).to match [200, include("Odd is added. Ines ", "How it goes")]
    expect(last_response.body).to include %(href="/mine")
  end

  it "share an athlete, hand them over from a day on, and cover until one" do
    get("/people")
    first = WebHelpers.seated
    first.roles.each { |role| role.update!(until_on: Date.new(2020, 1, 2)) }
    athlete = make_athlete
    first.roles.create!(kind: "coach", athlete: athlete, from_on: Date.new(2020, 1, 1))
    other = person("tobias", {kind: "assistant", group: Windlass::Records::Group.create!(account: account, name: "X")})
    WebHelpers.seated = first.reload
    get("/athletes/#{athlete.id}")
    expect(last_response.body).to include %(href="/athletes/#{athlete.id}/coaches")
    nobody = ->(**typed) { press("/athletes/#{athlete.id}/coaches", "/athletes/#{athlete.id}/coaches", **typed) }
    nobody[person: "", until_on: "2026-03-12"]
    expect([last_response.status,
      last_response.body]).to match [422, include("nobody is chosen", %(value="2026-03-12"))]
    nobody[person: other.id, from_on: "2026-03-12", until_on: "2026-03-10"]
    expect([last_response.status, text]).to match [422, include("ends before it begins")]
    press("/athletes/#{athlete.id}/coaches", "/athletes/#{athlete.id}/coaches", person: other.id,
      from_on: "2026-03-10", until_on: "2026-03-12")
    seen = ->(who) do
      WebHelpers.seated = Windlass::Records::Person.find(who.id)
      get("/athletes/#{athlete.id}").status
    end
    days = [2, 10, 12, 13].map do |day|
      clock.now = Time.new(2026, 3, day, 12)
      [seen[first], seen[other]]
    end
    expect(days).to eq [[200, 404], [200, 200], [200, 200], [200, 404]]
  end

  describe "leave a trace" do
    it "of each deed: who, what, to whom, when, from where; and of reading what is somebody's health" do
      athlete = make_athlete.tap { |one| make_pause(one) }
      get("/athletes/#{athlete.id}/screening")
      get("/athletes/#{athlete.id}/letter.pdf")
      get("/athletes/#{athlete.id}")
      submit("/athletes/#{athlete.id}", "/athletes/#{athlete.id}/prescriptions", protocol: "small-holds")
      prescription = athlete.prescriptions.sole
      submit("/prescriptions/#{prescription.id}", "/prescriptions/#{prescription.id}/sessions", asked: "yes")
      run = run_set(prescription)
      submit("/sessions/#{run.uuid}", "/sessions/#{run.uuid}/rating", effort: "3")
      me = WebHelpers.seated.uuid

      expect(trace.map { |entry| [entry.person_uuid, entry.athlete_id, Windlass::Trace.words(entry)] }).to eq(
        ["read a screening", "printed a letter to a clinician", "prescribed", "put a session on the deck",
          "rated a session"]
          .map { |words|
          [me, athlete.id, words]
        }
      )
      expect(trace.map(&:at).uniq).to eq [clock.now]
      get("/people/trace")
      expect(text).to include("Maren", "rated a session", "athlete #{athlete.id}")
      expect(text).not_to include("Ines")
    end

    it "in words, whatever was done" do
      routes = Windlass::Web.routes.flat_map { |verb, all| all.map { |pattern, *| "#{verb} #{pattern}" } }
      deeds = routes.select { |route| Windlass::Trace.deed?(route) }
      expect(deeds.uniq - Windlass::Trace::WORDS.keys).to eq []
      expect(Windlass::Trace::WORDS.keys.grep(/ /) - deeds).to eq []
    end

    it "of every form that was taken, and of none that was refused" do
      quiet = Windlass::Trace::NO_DEEDS
      routes = Windlass::Rights::ROUTES.keys.select { |route| route.start_with?("POST") }
      expect(routes.reject { |route| Windlass::Trace.deed?(route) }).to match_array quiet
      expect(Windlass::Trace::READING - Windlass::Rights::ROUTES.keys).to be_empty
      post("/athletes", {})
      expect([last_response.status, trace]).to eq [403, []]
    end

    it "that a keeper looks through by who, what, whom, when, and takes as a table; that is traced, too" do
      get("/people")
      other = person("lene", {kind: "coach", of_all: true})
      [[other, "POST /decisions", nil, 1], [WebHelpers.seated, "POST /decisions", 7, 2],
        [other, "POST /sessions/:uuid/decision", 7, 3]].each do |who, deed, whose, day|
        Windlass::Trace.write(
          deed, "/x", person: who, device: "Firefox on Linux", now: Time.new(2026, 3, day, 23, 30), whose: whose
        )
      end
      asked = {"who=#{other.uuid}" => [3, 1], "what=Plain" => [2, 1], "athlete=7" => [3, 2],
               "from=2026-03-02&to=2026-03-02" => [2], "who=#{other.uuid}&athlete=7&what=verdict" => [3],
               "before=#{trace[1].id}" => [1], "what=nobody+did+this" => [], "from=yesterday&athlete=-4" => [3, 2, 1]}
      seen = asked.to_h do |query, _|
        [query, get("/people/trace?#{query}").body.scan(/(\d) Mar 2026, 23:30/).flatten.map(&:to_i)]
      end
      expect(seen).to eq asked
      get("/people/trace?from=yesterday&athlete=-4")
      expect(text).to include("-4 is not allowed")

      rows = CSV.parse(get("/people/trace.csv?what=verdict&athlete=7").body, headers: true)
      expect(rows.map { |row| row.to_h.values }).to eq [
        ["2026-03-02T23:30:00Z", "Maren", "accepted plain verdicts", "7", "Firefox on Linux", "POST /decisions"],
        ["2026-03-03T23:30:00Z", "Lene", "decided a verdict", "7", "Firefox on Linux", "POST /sessions/:uuid/decision"]
      ]
      expect(Windlass::Trace.words(trace.last)).to eq "exported the trace"
    end

    it "that nobody changes or removes, and that names nobody" do
      Windlass::Trace.write("POST /athletes", "/athletes", person: nil, device: "x", now: clock.now)
      entry = trace.sole
      [-> { entry.update_columns(deed: "x") }, -> { entry.delete }, -> {
        Windlass::Records::TraceEntry.delete_all
      }].each do |deed|
        expect { ActiveRecord::Base.transaction(requires_new: true) { deed.call } }.to raise_error(
          ActiveRecord::StatementInvalid, /only added to/
        )
      end
      expect(Windlass::Records::TraceEntry.column_names).to match_array %w[id at person_uuid deed athlete_id subject
        device]
    end
  end

  it "who assist run sessions and decide nothing: neither the page nor its buttons show a way to" do
    athlete = make_athlete.tap { |one| make_pause(one) }
    run = run_set(prescribe(athlete))
    group = Windlass::Records::Group.create!(account: account, name: "Choir", athletes: [athlete])
    WebHelpers.seated = person("lene", {kind: "assistant", group: group})
    pages = ["/", "/sessions/#{run.uuid}", "/prescriptions/#{run.prescription_id}", "/sessions/#{run.uuid}/deck"]
    open = Windlass::Rights::ROUTES.select { |_, right| %i[runs signed_in anyone].include?(right) }.keys
    leads = pages.flat_map do |path|
      get(path)
      expect([path, last_response.status]).to eq [path, 200]
      page.css("form[method=post][action]").map { |form| ["POST", form["action"]] } +
        page.css("a[href^='/']").map { |link| ["GET", link["href"]] }
    end
    known = open.map { |route| route.split(" ", 2) }.map { |verb, path| [verb, /\A#{path.gsub(/:\w+/, "[^/]+")}\z/] }
    closed = leads.uniq.reject { |verb, path| known.any? { |v, p| v == verb && p.match?(path.sub(/[?#].*/, "")) } }
    expect(closed).to eq []
  end
end
