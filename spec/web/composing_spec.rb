# frozen_string_literal: true

require "web_helper"

RSpec.describe "Protocols", :web do
  co2 = {hold_s: "1:05", first_rest_s: "120", rest_step_s: "15", rest_floor_s: "30", rounds: "6"}.freeze

  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) && make_measure(one, 120) } }

  def make_measure(athlete, seconds, at: clock.now - 86_400, **details)
    athlete.measures.create!(
      account_id: account.id,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: seconds,
      taken_at: at,
      details: {
        seconds: seconds,
        first_breath: "smooth",
        eventful: "no",
        watcher: "Ada",
        **details
      }
    )
  end

  define_method(:keep) do |dose: co2, protocol: "co2-table", **more|
    submit("/protocols", "/own-protocols", protocol: protocol, dose: dose, **more)
  end

  def own = Windlass::Records::OwnProtocol.order(:id).last

  co2_dose = {"hold_s" => 65, "first_rest_s" => 120, "rest_step_s" => 15, "rest_floor_s" => 30, "rounds" => 6}.freeze

  describe "the library" do
    it "groups all families by what a coach wants, each with what it trains, its cautions, its numbers" do
      get("/protocols")

      expect(page.css(".library-group > h2").map(&:text)).to eq [*Windlass::Protocols::GOALS.values, "Your own"]
      expect(page.css(".family h3 a").map(&:text)).to match_array Windlass::Protocols::ALL.map(&:name)
      expect(text).to include "6 holds of 1:00, rests from 2:00 down to 0:45", "15 min 15 s, 6 min held"
    end

    it "filters by discipline and place, and passes over a filter that does not exist" do
      get("/protocols?discipline=singing&place=room")
      expect(page.css(".family h3 a").map(&:text)).to eq [
        "Hiss ladder",
        "Stacked inhales, staged exhale",
        "Quiet breathing"
      ]
      get("/protocols?discipline=juggling&place=moon")
      expect(page.css(".family h3 a").size).to eq Windlass::Protocols::ALL.size
    end

    it "says for an athlete what is not offered, and why" do
      screen(athlete, :glaucoma_hernia)
      get("/protocols?athlete_id=#{athlete.id}")
      not_offered = page.css(".family.not-offered").to_h { |one| [one.at("h3").text.strip, one.text] }

      expect(not_offered["Carbon-dioxide table"]).to include "Glaucoma or a hernia: needs a clinician's clearance."
      expect(not_offered["Loaded holds"]).to include "Glaucoma or a hernia: blocked."
      expect(not_offered.keys).not_to include("Small holds", "Hiss ladder", "Ratio breathing")
      account.own_protocols.create!(name: "Thursday line", protocol: "co2-table", dose: co2_dose)
      get("/protocols?athlete_id=#{athlete.id}")
      expect(page.css(".family.not-offered").last.text).to match(/Thursday line.*needs a clinician's clearance/m)
    end

    it "prescribes from the measures; not without them, and not what no discipline asks for" do
      submit("/protocols?athlete_id=#{athlete.id}", "/athletes/#{athlete.id}/prescriptions", protocol: "co2-table")
      expect(athlete.prescriptions.sole.dose).to include("hold_s" => 60, "rounds" => 6)
      submit("/protocols", "/athletes/#{athlete.id}/prescriptions", protocol: "loaded-holds")
      expect(text).to include "only for those whose sport asks for it: surfing, rescue and combat sport"
      submit("/protocols", "/athletes/#{make_athlete.id}/prescriptions", protocol: "co2-table")
      expect(text).to include "needs a maximal hold first"
    end
  end

  describe "the composer" do
    it "answers a change with the line, the margins, and every finding beside its number" do
      header("HX-Request", "true")
      get("/protocols/co2-table", dose: co2.merge(hold_s: "2:30"), athlete_id: athlete.id)
      part = Nokogiri::HTML5.fragment(last_response.body)

      expect(part.at("#composed").text).to include "6 holds of 2:30", "24 min 15 s in all, 15 min held"
      expect(part.at("#found-dose-hold_s")["hx-swap-oob"]).to eq "true"
      expect(part.at("#found-dose-hold_s").text).to match(/past the oxygen floor/).and match(
              /125 % of the maximal hold/
            )
      expect(part.css("svg .ink").size).to eq 1
    end

    it "reads times as they are typed, rounds that break the pattern, several numbers, and a tempo for a count" do
      keep(
        dose: co2.merge(rounds: "7"),
        name: "Mine",
        breaks: {
          "0" => {
            round: "3",
            hold_s: "0:40",
            rest_s: "90"
          },
          "1" => {
            round: "",
            hold_s: "",
            rest_s: ""
          }
        }
      )
      expect(own.dose).to eq co2_dose.merge(
        "rounds" => 7,
        "breaks" => [{"round" => 3, "hold_s" => 40, "rest_s" => 90}]
      )
      keep(protocol: "ratio", dose: {pattern: "4 : 2,5 : 4 : 0", count_s: "75/min", rounds: "6"}, name: "Pulse")
      expect(own.dose).to eq({"pattern" => [4, 2.5, 4, 0], "count_s" => 0.8, "rounds" => 6})
    end

    it "says what is wrong with which number, keeps all that was typed, and keeps nothing" do
      keep(
        dose: co2.merge(hold_s: "long", rounds: "2.5", first_rest_s: "-1"),
        name: " ",
        note: "<b>",
        breaks: {
          "0" => {
            round: "x",
            hold_s: "9999"
          }
        }
      )

      expect(last_response.status).to eq 422
      expect(text).to include "long",
        "allowed: 5 to 300 s",
        "2.5 is not allowed; allowed: 1 to 12 rounds",
        "-1 is not allowed; allowed: 15 to 300 s"
      expect(text).to include "Name: is missing", "9999 is not allowed; allowed: 1 to 600 s"
      expect(page.at("#dose-hold_s")["value"]).to eq "long"
      expect(page.at("#note")["value"]).to eq "<b>"
      expect(own).to be_nil
    end

    it "is not upset by rubbish in the address" do
      [
        "dose=5", "dose[hold_s][]=5", "breaks=7&dose[x]=1", "dose[hold_s]=%FF", "athlete_id=&dose[rounds]=1e9"
      ].each do |query|
        get("/protocols/co2-table?#{query}")
        expect([query, last_response.status]).to eq [query, 422]
      end
      get("/protocols/teleport")
      expect([last_response.status, text]).to match [422, /"teleport" does not exist/]
    end
  end

  describe "protocols of one's own" do
    before { keep(name: "Thursday line") }

    it "are kept once, however often the button is pressed" do
      keep(name: "Thursday line")
      2.times { submit("/own-protocols/#{own.id}", "/own-protocols/#{Windlass::Records::OwnProtocol.first.id}/copy") }
      expect(Windlass::Records::OwnProtocol.order(:id).pluck(:name)).to eq ["Thursday line", "Thursday line, copy"]
    end

    it "are changed, copied, deleted" do
      submit("/own-protocols/#{own.id}", "/own-protocols/#{own.id}", dose: co2.merge(rounds: "4"), name: "Friday line")
      expect(own).to have_attributes(name: "Friday line", dose: co2_dose.merge("rounds" => 4))
      submit("/own-protocols/#{own.id}", "/own-protocols/#{own.id}/copy")
      expect(own.name).to eq "Friday line, copy"
      gone = own
      submit("/own-protocols/#{own.id}", "/own-protocols/#{own.id}/delete")
      get("/protocols")
      expect(page.css("#own ~ article h3").map(&:text)).to eq ["Friday line"]
      submit("/protocols", page.at(".notice-done form")["action"])
      expect(gone.reload.deleted_at).to be_nil
    end

    it "are prescribed under their name: the ladder begins from their dose, breaks and all" do
      submit("/protocols", "/athletes/#{athlete.id}/prescriptions", protocol: "co2-table")
      own.update!(dose: own.dose.merge("breaks" => [{"round" => 1, "hold_s" => 30}]))
      submit(
        "/own-protocols/#{own.id}",
        "/own-protocols/#{own.id}/prescriptions",
        athlete_id: athlete.id,
        ends: athlete.prescriptions.open.first.id
      )
      open = athlete.prescriptions.open.sole

      expect(open).to have_attributes(name: "Thursday line", dose: own.dose)
      expect(open.to_standing(on: Builders::MONDAY).ladder.rungs[1]).to include(
        hold_s: 65,
        first_rest_s: 110,
        breaks: [{round: 1, hold_s: 30}]
      )
    end

    it "are not prescribed past an athlete's limits" do
      own.update!(dose: own.dose.merge("hold_s" => 100))
      submit("/own-protocols/#{own.id}", "/own-protocols/#{own.id}/prescriptions", athlete_id: athlete.id)

      expect([last_response.status, text]).to match [
        422,
        /hold 100 s passes the limit of 70 s, 60 % of the maximal hold/
      ]
      submit("/own-protocols/#{own.id}", "/own-protocols/#{own.id}/prescriptions", athlete_id: "")
      expect([last_response.status, text]).to match [422, /Choose for whom|choose for whom/]
    end

    it "travel as YAML, out and in again, and are refused with line and reason" do
      get("/own-protocols/#{own.id}.yml")
      yaml = last_response.body
      file = ->(content) do
        Rack::Test::UploadedFile.new(StringIO.new(content), "application/yaml", original_filename: "a.yml")
      end
      submit("/protocols", "/own-protocols/import", file: file[yaml])
      expect(Windlass::Records::OwnProtocol.pluck(:name, :dose)).to eq [["Thursday line", own.dose]]
      submit("/protocols", "/own-protocols/import", file: file[yaml.sub("rounds: 6", "rounds: 5")])
      expect(Windlass::Records::OwnProtocol.order(:id).map { |one| one.dose["rounds"] }).to eq [6, 5]

      submit("/protocols", "/own-protocols/import", file: file[yaml.sub("hold_s: 65", "hold_s: soon")])
      expect([last_response.status, text]).to match [
        422,
        /line 6: dose.hold_s: "soon" is not allowed; allowed: 5 to 300 s/
      ]
    end
  end

  it "says in every field of a stage what is true of it, also where another one was changed" do
    shown = ->(dose) do
      submit("/protocols/alternate-nostril", "/protocols/alternate-nostril", dose: dose)
      page
        .css("select[name^='dose'] option[value='']")
        .to_h { |option| [option.parent["name"][/\w+(?=\])/], option.text] }
    end
    plain = shown[{stage: "8", cycles: "3", rounds: "3", count_s: "1"}]
    expect(plain.values).to all match(/\Aas the stage says: ./)
    changed = shown[{stage: "8", cycles: "3", rounds: "3", count_s: "1", throat: "throughout"}]
    expect(changed.except("throat")).to eq plain.except("throat")
  end

  it "takes a coach's tighter limits, refuses looser ones; locks are switched on for the athlete" do
    prescription = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("co2-table"), now: clock.now)
    page_of = "/prescriptions/#{prescription.id}"
    submit(page_of, "#{page_of}/limits", limits: {hold_s: "1:05", rounds: "", first_rest_s: "90"})
    expect(prescription.reload.limits).to eq({"hold_s" => 65, "first_rest_s" => 90})
    expect(prescription.to_standing(on: Builders::MONDAY).ladder.rungs.last).to include(
      hold_s: 65,
      first_rest_s: 90,
      rounds: 8
    )

    submit(page_of, "#{page_of}/limits", limits: {hold_s: "120"})
    expect([last_response.status, text]).to match [422, /120 is not allowed; allowed: 60 to 70/]
    nostril = Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find("alternate-nostril"), now: clock.now)
    tops =
      [false, true].map do |locks|
        athlete.update!(locks: locks)
        nostril.reload.to_standing(on: Builders::MONDAY).ladder.rungs.last[:stage]
      end
    expect(tops).to eq [4, 8]
  end
end
