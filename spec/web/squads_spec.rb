# frozen_string_literal: true

require "web_helper"

# Several on one deck: who may, their starts, who watches whom.
RSpec.describe "Together", :web, :both_databases do
  let(:names) { %w[Ines Pascale Odd] }
  let(:athletes) { names.map { |name| make_athlete(name: name).tap { |one| make_pause(one, 24) } } }
  let(:prescriptions) { athletes.map { |one| prescribe(one) } }
  let(:squad) { Windlass::Records::Squad.last }

  def ask_nothing = athletes.each { |one| Windlass::Actions::KeepDay.call(one, {}, now: clock.now) }

  def run_together(*chosen, **more) =
    submit("/", "/squads", {"prescription[]": chosen.map { |one| one.id.to_s }}.merge(more))

  before { prescriptions }

  def settle(deed, **changes)
    submit("/squads/#{squad.uuid}", "/squads/#{squad.uuid}", {gap_s: "8", latest_s: "300", deed: deed}.merge(changes))
    squad.reload
  end

  it "asks who was not asked today, keeps those who have nothing to say; short holds start at once, or apart" do
    run_together(*prescriptions)
    expect(text).to include("Before they begin", "Ines", "alcohol")
    run_together(*prescriptions, "clear[]": athletes.first(2).map { |one| one.id.to_s }, watcher: "Wanda")
    expect(page.css("input[name='clear[]']").size).to eq 1
    run_together(*prescriptions, "clear[]": athletes.map { |one| one.id.to_s })
    follow_redirect!
    expect(text).to include "All start at once: first breaths fall together"
    expect(squad.sessions.map(&:starts_s)).to eq [0, 0, 0]

    settle("arrange")
    get("/squads/#{squad.uuid}")
    expect(text).to include("No two first breaths come less than 8 s apart.")
    expect(page.css(".breath-tick").size).to eq 39
    expect(page.css(".breath-tick.clash")).to be_empty
    expect(athletes.map { |one| one.day_on(clock.now.to_date).watcher }).to eq ["Wanda", "Wanda", ""]
    expect(squad.sessions.map { |one| one.athlete.name }).to eq names.sort
  end

  it "refuses one alone, one twice and who may not, by name; asked for again it is the same" do
    ask_nothing
    run_together(prescriptions.first)
    expect(text).to include("1 ticked; allowed: 2 to 12 athletes on one deck.")
    Windlass::Actions::KeepDay.call(athletes.last, {answers: ["alcohol"]}, now: clock.now)
    run_together(*prescriptions)
    expect(text).to include("Odd, small holds: ", "alcohol")
    expect(Windlass::Records::Session.where.not(squad_id: nil)).to be_empty

    2.times { run_together(*prescriptions.first(2)) }
    expect(Windlass::Records::Squad.count).to eq 1
    get("/")
    expect(text).to include("Together: Ines and Pascale", "ready")
  end

  it "names what starts before anything is made, and asks which where an athlete has several" do
    ask_nothing
    other = Windlass::Actions::Prescribe.call(athletes.first, Windlass::Protocols.find("hiss-ladder"), now: clock.now)
    run_together(*prescriptions, other)
    expect(page.css("input[name='of[#{athletes.first.id}]']").map { |input| input["value"] }).to eq [
      prescriptions.first.id.to_s,
      other.id.to_s,
      ""
    ]
    expect([text, Windlass::Records::Session.count]).to match [/Hiss.*Small holds: /m, 0]

    submit("/", "/squads", {"prescription[]": prescriptions.drop(1).map(&:id), "of[#{athletes.first.id}]": other.id})
    expect(squad.sessions.map { |one| one.prescription.protocol }.tally).to eq("hiss-ladder" => 1, "small-holds" => 2)
    squad.sessions.each { |one| one.update!(state: "done", started_at: clock.now, ended_at: clock.now) }
    expect(get("/squads/#{squad.uuid}/deck").headers["location"]).to end_with "/squads/#{squad.uuid}"
  end

  describe "with two" do
    before do
      ask_nothing
      run_together(*prescriptions.first(2))
    end

    it "keeps starts by hand and marks what collides; says over how much it is, and whose holds fall out" do
      settle("keep", "start[0]": "0", "start[1]": "3", "pair[0]": "1", minutes: "4")
      follow_redirect!

      expect(squad.sessions.map { |one| [one.starts_s, one.pair_lane] }).to eq [[0, 1], [3, 0]]
      expect(page.css(".breath-tick.clash").size).to eq 26
      expect(text).to include(
        "13 pairs of first breaths come less than 8 s apart: Ines and Pascale 13 times.",
        "hold together for 26 s",
        "longer than the 4 min there are; too late would be: Ines"
      )
    end

    it "keeps what was typed and names what is allowed; pairs are mutual; runs that began keep their starts" do
      settle("keep", "start[0]": "-4", "start[1]": "soon", gap_s: "99", "pair[0]": "0")
      expect(last_response.status).to eq 422
      expect(text).to include(
        "“-4” is not allowed; allowed: whole seconds from 0 to 900",
        "“soon” is not allowed",
        "99 is not allowed; allowed: 4 to 15",
        "Ines can't watch themselves"
      )
      expect(page.at("input[name='start[1]']")["value"]).to eq "soon"

      Windlass::Actions::KeepJournal.call(
        squad.sessions.first,
        [{uuid: SecureRandom.uuid, kind: "start", at_ms: 0}],
        now: clock.now
      )
      settle("arrange")
      expect(text).to include("These sessions run already")
    end

    it "calls what nobody rated smooth, but for those who are ticked, and rates nothing of who is not over" do
      ines, pascale = squad.sessions.to_a
      rest = ->(**said) { submit("/squads/#{squad.uuid}", "/squads/#{squad.uuid}/smooth", said) }
      run =
        lambda do |session|
          marks = journal(session, breaths: {2 => "gasp"}).reject { |mark| mark[:value] == "smooth" }
          Windlass::Actions::KeepJournal.call(session, marks, now: clock.now)
        end
      run[ines]
      rest.call
      expect(text).to include "They are not over yet"
      run[pascale]
      get("/squads/#{squad.uuid}")
      expect(text).to include "First breaths that nobody rated", "Ines 12", "Pascale 12"

      rest["except[]": [pascale.lane.to_s]]
      breaths = ->(session) { session.rounds.reload.map(&:first_breath).tally }
      expect([breaths[ines], breaths[pascale]]).to eq [{"smooth" => 12, "gasp" => 1}, {nil => 12, "gasp" => 1}]
      expect(ines.reload.proposed_verdict).not_to be_nil
    end

    it "refuses the deck where somebody said something since" do
      Windlass::Actions::KeepDay.call(athletes.first, {answers: ["unwell"]}, now: clock.now)
      get("/squads/#{squad.uuid}/deck")

      expect(last_response).to be_redirect
    end
  end
end
