# frozen_string_literal: true

require "web_helper"

# An athlete who trains alone, on a page of their own, and the coach who reads of it.
RSpec.describe "Somebody who trains alone", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:prescription) { prescribe(athlete) }
  # What only a coach says.
  let(:coachs_words) { /prescri|verdict|\brung/i }

  # What stands there before anything is opened: the trace, for one, says deeds as the house does.
  def unfolded = page.at("main").tap { |main| main.css("details").each(&:remove) }.text

  # Starts the set that is to be done now, runs it to its end, and says how it was.
  # @return [Records::Session]
  def train(effort: "3", **told)
    get("/mine")
    submit("/mine", page.at(".my-now form")["action"], asked: "yes")
    get(last_response.location)
    plan = JSON.parse(page.at("#plan").text)
    run = Windlass::Records::Session.find_by!(uuid: plan["uuid"])
    events = journal(run).map { |event| event.merge(ago_ms: 0) }
    send_marks(run, plan["key"], events)
    submit("/mine/sessions/#{run.uuid}", "/mine/sessions/#{run.uuid}", effort: effort, **told)
    run.reload
  end

  def send_marks(run, key, events)
    get("/token")
    header("X-CSRF-Token", JSON.parse(last_response.body).fetch("token"))
    post("/sessions/#{run.uuid}/events", JSON.generate(key: key, events: events), "CONTENT_TYPE" => "application/json")
    expect([last_response.status, JSON.parse(last_response.body)["refused"]]).to eq [200, []]
  end

  # All sets of the day.
  def train_all_day(**told)
    sets = prescription.to_protocol.sets(prescription.to_standing(on: clock.now.to_date).dose)
    Array.new(sets) { train(**told).tap { clock.now += 4 * 3600 } }.last
  end

  it "sees what is to be done now, runs it, says how it was and reads what comes of it, in words of their own" do
    prescription
    mine = hold_phone
    get("/mine")
    expect([page.css(".my-now").size, text]).to match [1, /Small holds.*All well: start.*How it goes/]
    session = train
    expect([session.run_by, session.effort, session.state]).to eq [mine.uuid, 3.0, "done"]
    get("/mine/sessions/#{session.uuid}")
    expect(text).to include "Set 1 of 2 done."
    expect(unfolded).not_to match coachs_words
    clock.now += 4 * 3600
    last = train
    get("/mine/sessions/#{last.uuid}")
    expect(text).to match(/The same again next time\..*Your coach looks at it first\./)
    expect([unfolded, get("/mine") && unfolded].join).not_to match coachs_words
    expect(text).to include "Done for today."

    as_coach do
      expect([get("/") && text, get("/log") && text]).to match [/On their own/, /Mon 2 Mar alone/]
      expect(get("/sessions/#{last.uuid}") && text).to include "they ran it themselves"
      rows = CSV.parse(get("/log/sessions.csv").body, headers: true)
      expect(rows.map { |row| row["alone"] }).to eq %w[true true]
    end
  end

  it "is refused where something is so today, hears what lifts it, and reaches nobody else's" do
    prescription
    other = prescribe(make_athlete(name: "Odd Falkenrath").tap { |one| make_pause(one) })
    hold_phone
    submit("/mine", "/mine/train/#{prescription.id}", asked: "yes", answers: ["unwell"])
    expect([last_response.status, prescription.sessions.count]).to eq [422, 0]
    expect(page.at("#later").parent.text.split.join(" ")).to match(/Small holds .*well/i)
    expect(unfolded).not_to match coachs_words
    submit("/mine", "/mine/train/#{other.id}", asked: "yes")
    theirs = plan(other)
    paths = ["/mine/sessions/#{theirs.uuid}", "/sessions/#{theirs.uuid}/deck", "/sessions/#{theirs.uuid}/told"]
    expect([last_response.status, *paths.map { |path| get(path).status }]).to eq [404] * 4
  end

  describe "where their coach lets plain ones move" do
    before do
      as_coach do
        submit("/prescriptions/#{prescription.id}", "/prescriptions/#{prescription.id}/by-itself", moves: "yes")
      end
      hold_phone
    end

    it "moves as soon as the day is told of; it says by which rule, and may be taken back as ever" do
      session = train_all_day
      move = prescription.moves.sole
      clock.now += 2 * 86_400
      expect(get("/mine") && text).to include "Small holds, Mon 2 Mar: the same again next time."
      clock.now -= 2 * 86_400
      expect([move.decided, move.by_whom]).to eq ["repeat", " by the rule that was allowed by Maren"]
      get("/mine/sessions/#{session.uuid}")
      expect(text).not_to include "Your coach looks at it first"
      as_coach do
        submit("/moves/#{move.id}/back", "/moves/#{move.id}/back")
        expect(move.reload.taken_back_at).not_to be_nil
      end
    end

    it "waits where their coach ran one of the sets; what the coach wrote down is the coach's" do
      own = train
      theirs = run_set(prescription, at: clock.now += 4 * 3600)
      Windlass::Actions::MoveByItself.call(theirs, now: clock.now)
      expect(prescription.moves.count).to eq 0
      paths = [own, theirs].map { |run| "/mine/sessions/#{run.uuid}" }
      forms = paths.map { |path| get(path) && page.css("main form").size }
      submit(paths.first, paths.last, effort: "0")
      expect([forms, last_response.status, theirs.reload.effort]).to eq [[1, 0], 422, 3.0]
    end

    {"a symptom" => {symptoms: ["lightheaded"]}, "a word for the coach" => {note: "My nose was blocked."},
     "hard effort" => {effort: "9"}}.each do |what, told|
      it "waits for the coach where there was #{what}" do
        train_all_day(**told)
        expect([prescription.moves.count, as_coach { get("/") && text }]).to match [0, /Decide/]
      end
    end
  end

  describe "who felt bad" do
    def tell_felt(symptom, uuid: SecureRandom.uuid, **more)
      typed = {uuid: uuid, symptom: symptom, strength: "3", felt_on: clock.now.to_date.iso8601, **more}
      submit("/mine/felt", "/mine/felt", **typed)
    end

    it "tells it at any time: what stops, stops at once and everywhere; the coach reads it first" do
      prescription
      hold_phone
      uuid = SecureRandom.uuid
      2.times { tell_felt("chest_pain", uuid: uuid, note: "On the stairs.") }
      expect([Windlass::Records::Complaint.count, athlete.suspensions.sole.kind]).to eq [1, "stop"]
      get("/mine")
      expect([page.css(".my-now, #later").size, text]).to match [0, /No holds now\. Chest pain on 2 March 2026, told/]
      as_coach do
        get("/")
        expect(text).to match(/Ines Aldaya felt bad chest pain, strong.*“On the stairs\.”.*stopped/)
        submit("/", "/complaints/#{uuid}/seen")
        expect([get("/") && text, athlete.suspensions.sole.lifted_at]).to match [/\A(?!.*felt bad)/m, nil]
      end
    end

    it "has what followed a set judged with it, and never milder than if it had been said there" do
      prescription
      hold_phone
      session = train_all_day
      before = session.reload.proposed_verdict
      tell_felt("lightheaded")
      expect([before, session.reload.symptoms, session.proposed_plain]).to eq ["repeat", ["lightheaded"], false]
    end

    it "is told that nobody agreed yet to what is kept, but for what stops" do
      prescription
      hold_phone
      athlete.consents.each(&:destroy!)
      athlete.update!(consent_due_on: clock.now.to_date - 1)
      %w[nausea chest_pain].each { |symptom| tell_felt(symptom) }
      expect(Windlass::Records::Complaint.pluck(:symptom)).to eq ["chest_pain"]
      submit("/mine", "/mine/train/#{prescription.id}", asked: "yes")
      expect([last_response.status, text]).to match [422, /Nobody has agreed yet to what is kept of you/]
    end

    it "keeps what was typed where something is missing, and names it" do
      hold_phone
      tell_felt("", note: "It was odd.")
      expect([last_response.status, page.at("#felt-note").text, page.css(".fault").size]).to eq [422, "It was odd.", 1]
      tell_felt("nausea", felt_on: (clock.now.to_date - 9).iso8601)
      expect([last_response.status, text]).to match [422, /is not allowed; allowed: 2026-02-23 to 2026-03-02/]
    end
  end

  it "stands on the coach's Today as long as it is open, and is named there once nothing was done for days" do
    prescription
    hold_phone
    asked = as_coach { get("/") && page.at("#alone")["hx-get"] }
    news = -> { as_coach { get(asked) } }
    expect(news.call.status).to eq 204
    train
    expect([text_of(news.call), last_response.status]).to match [/Ines Aldaya.*Small holds · 12:00/, 200]
    clock.now += 4 * 86_400
    expect(text_of(news.call)).to match(/Ines Aldaya.*nothing since Mon 2 Mar/)
  end

  def text_of(response) = Nokogiri.HTML5(response.body).text.split.join(" ")

  it "takes their morning score on their own page" do
    prescription
    hold_phone
    submit("/mine/morning", "/mine/morning", seconds: "24,5", ended_by: "diaphragm", first_breath: "calm",
      on_waking: "true", taken_on: clock.now.to_date.iso8601)
    expect(last_response.location).to include "/mine/morning?saved="
    expect(athlete.measures.order(:id).last.value).to eq 24.5
  end

  it "says when they can train and when they are away; their coach plans by it" do
    hold_phone
    away = {from_on: (clock.now.to_date + 3).iso8601, to_on: (clock.now.to_date + 5).iso8601, because: "The estuary"}
    submit("/mine/times", "/mine/away", **away, to_on: (clock.now.to_date + 2).iso8601)
    expect([last_response.status, page.at("#because")["value"], page.css(".fault").size]).to eq [422, "The estuary", 1]
    submit("/mine/times", "/mine/away", **away)
    submit("/mine/times", "/mine/times", slots: {"0" => {day: "2", at: "07:00", minutes: "30", place: ""}})
    expect([athlete.reload.slots.sole.day, Windlass::Records::Absence.sole.because]).to eq [2, "The estuary"]
    other = Windlass::Records::Absence.create!(
      athlete: make_athlete(name: "Odd"), from_on: clock.now.to_date, to_on: clock.now.to_date, because: ""
    )
    submit("/mine/times", "/mine/away/#{other.id}/remove")
    expect([last_response.status, Windlass::Records::Absence.count]).to eq [404, 2]
    submit("/mine/times", "/mine/away/#{Windlass::Records::Absence.first.id}/remove")
    expect(Windlass::Records::Absence.all).to eq [other]
  end

  it "decides for themselves where nobody else coaches them, and reads of no coach" do
    prescription
    hold_phone.roles.create!(kind: "coach", athlete: athlete, from_on: clock.now.to_date)
    WebHelpers.seated.roles.reload
    session = train_all_day
    get("/mine/sessions/#{session.uuid}")
    expect([page.at(".notice a")["href"], unfolded]).to match ["/sessions/#{session.uuid}", /\A(?!.*coach)/m]
    expect([get("/sessions/#{session.uuid}").status, text]).to match [200, /they ran it themselves/]
  end

  it "is asked twice, with the reasons, where a coach would look: an ease overruled, a stop, a higher start" do
    prescription
    hold_phone.roles.create!(kind: "coach", athlete: athlete, from_on: clock.now.to_date)
    WebHelpers.seated.roles.reload
    submit("/prescriptions/#{prescription.id}", "/prescriptions/#{prescription.id}/start", rung: "2", because: "I can")
    expect([last_response.status, text]).to match [422, /decide about yourself.*passes by what the rungs below/]
    Windlass::Actions::KeepDay.call(athlete, {}, now: clock.now)
    session = Array.new(2) { run_set(prescription, breaths: {1 => "gasp", 2 => "gasp", 3 => "gasp"}) }.last
    page_of = "/sessions/#{session.uuid}"
    decide = {seen: "ease", decided: "advance", because: "It felt easy."}
    submit(page_of, "#{page_of}/decision", **decide)
    expect([last_response.status, text, prescription.moves.count]).to match [
      422, /“ease”, and you decide “advance”.*gasp/, 0
    ]
    sent = page.css("main form input[type=hidden]").to_h { |field| [field["name"], field["value"]] }
    post("#{page_of}/decision", sent)
    expect([last_response.status, prescription.moves.sole.decided]).to eq [303, "advance"]
    Windlass::Actions::OpenStop.call(athlete, "Chest pain.", session: session, now: clock.now)
    stop = athlete.suspensions.sole
    submit("/athletes/#{athlete.id}", "/suspensions/#{stop.id}/clearance", clinician: "Dr Osei",
      cleared_on: clock.now.to_date.iso8601)
    expect([last_response.status, text, stop.reload.lifted_at]).to match [422, /A stop stands: Chest pain/, nil]
    as_coach do
      submit("/athletes/#{athlete.id}", "/suspensions/#{stop.id}/clearance", clinician: "Dr Osei",
        cleared_on: clock.now.to_date.iso8601)
    end
    expect([last_response.status, stop.reload.lifted_at]).to match [303, Time]
  end

  it "writes in what they did without the phone, as it was planned, once; then tells of it" do
    prescription
    hold_phone
    said = {training: prescription.id.to_s, on: (clock.now.to_date - 1).iso8601, at: "18:30"}
    submit("/mine", "/mine/done", **said, at: "half past six")
    expect([last_response.status, page.at("#at")["value"], page.at("#fault-at").text]).to match [
      422, "half past six", /no time of day; allowed: 00:00 to 23:59/
    ]
    2.times { submit("/mine", "/mine/done", **said) }
    submit("/mine", "/mine/done", **said, at: "07:00")
    done = prescription.sessions.order(:started_at).to_a
    expect(done.map { |one| [one.started_at.strftime("%H:%M"), one.alone?, one.rounds.count] }).to eq [
      ["07:00", true, 13], ["18:30", true, 13]
    ]
    submit("/mine/sessions/#{done.last.uuid}", "/mine/sessions/#{done.last.uuid}", effort: "4")
    expect(done.last.reload.effort).to eq 4
    other = prescribe(make_athlete(name: "Odd").tap { |one| make_pause(one) })
    submit("/mine", "/mine/done", **said, training: other.id)
    expect(last_response.status).to eq 404
  end

  it "leaves by themselves: nothing is planned any more, their data stay theirs, and the coach reads of it" do
    prescription
    hold_phone
    submit("/mine", "/mine/leave")
    get("/mine")
    expect([athlete.reload.left_on, text]).to match [clock.now.to_date, /You left on 2 March 2026/]
    paths = %w[/mine/felt /mine/morning /mine/times /mine/data.json /mine/sessions.csv]
    expect(paths.map { |path| get(path).status }).to eq [404, 404, 404, 200, 200]
    expect(as_coach { get("/") && text }).to match(/Ines Aldaya left on Mon 2 Mar, by themselves/)
  end

  it "keeps who is beside today, as the coach wrote it down, where a set needs nobody" do
    prescription
    Windlass::Actions::KeepDay.call(athlete, {watcher: "Ada Quill", oximeter: true}, now: clock.now)
    hold_phone
    train
    expect(athlete.days.sole).to have_attributes(watcher: "Ada Quill", oximeter: true)
  end

  it "chooses which of the day's sets comes first" do
    prescription
    quiet = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("quiet-breathing"), now: clock.now)
    hold_phone
    first = -> { page.at(".my-now h1").text }
    other = -> { page.at("#later ~ ul a")["href"] }
    get("/mine")
    expect([first.call, other.call]).to eq ["Small holds", "/mine?set=#{quiet.id}"]
    get(other.call)
    expect([first.call, other.call]).to eq [quiet.name, "/mine?set=#{prescription.id}"]
  end
end
