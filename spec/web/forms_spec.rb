# frozen_string_literal: true

require "web_helper"

RSpec.describe Windlass::Forms do
  describe Windlass::Forms::RatingForm do
    def parse(**typed) = described_class.parse(JSON.parse(JSON.generate(typed)))

    it "turns what was typed into columns, commas and all, and leaves alone what was not" do
      form =
        parse(
          effort: "6,5",
          symptoms: ["nausea"],
          note: " calm ",
          rounds: {
            "2" => {held_s: "4,85"},
            "3" => {first_breath: "gasp"}
          }
        )

      expect(form.errors).to eq({})
      expect(form.columns).to include(effort: 6.5, symptoms: ["nausea"], note: " calm ")
      expect(form.columns[:rounds]).to eq({2 => {held_ms: 4_850}, 3 => {first_breath: "gasp"}})
    end

    it "leaves a length alone that comes back as it was shown, in seconds and in beats" do
      typed = {
        "rounds" => {
          "1" => {"held_s" => "4.9"},
          "2" => {"held_s" => "5"},
          "3" => {"beats" => "12.3"},
          "4" => {"beats" => "12.4"}
        }
      }
      form =
        described_class.parse(
          typed,
          beat_ms: {
            3 => 1000r,
            4 => 1000r
          },
          held_ms: {
            1 => 4_898,
            2 => 4_898,
            3 => 12_345,
            4 => 12_345
          }
        )
      expect(form.columns[:rounds]).to eq({1 => {}, 2 => {held_ms: 5_000}, 3 => {}, 4 => {held_ms: 12_400}})
    end

    it "empties what was emptied" do
      form = parse(effort: "", note: "", rounds: {"1" => {held_s: "", first_breath: ""}})

      expect(form.columns).to include(effort: nil, symptoms: [], rounds: {1 => {held_ms: nil, first_breath: nil}})
    end

    it "names faults by the field that they stand in" do
      form =
        parse(
          effort: "-1",
          symptoms: ["hiccups"],
          rounds: {
            "7" => {held_s: "4000"},
            "9" => {first_breath: "loud"}
          }
        )

      expect(form.errors.keys).to match_array ["effort", "symptoms[0]", "rounds[7]", "rounds[9][first_breath]"]
      expect(form.fault("effort")).to eq "-1 is not allowed; allowed: 0 to 10"
      expect(form.fault("rounds[7]")).to eq "4000 is not allowed; allowed: 0 to 1200 seconds held"
      expect(form.fault("rounds[9][first_breath]")).to eq "“loud” is not one of: smooth, deeper, gasp"
    end

    it "takes rubbish for nothing typed" do
      expect(described_class.parse({"rounds" => "x"}).columns[:rounds]).to eq({})
      expect(described_class.parse({"effort" => ["1"]}).errors.keys).to eq ["effort"]
    end
  end

  describe Windlass::Forms::DecisionForm do
    def parse(verdict, **typed) = described_class.parse(typed.transform_keys(&:to_s), verdict: verdict)

    it "accepts, overrules with a reason, and takes choosing the verdict itself for accepting" do
      expect(parse(:ease, seen: "ease", decided: "accept").decided(:ease)).to eq :ease
      expect(parse(:ease, seen: "ease", decided: "ease")).to be_valid
      expect(parse(:ease, seen: "ease", decided: "repeat", because: "Cold hall").decided(:ease)).to eq :repeat
      expect(parse(:ease, seen: "ease", decided: "repeat").errors).to eq(
        {"because" => "is missing: say why you overrule"}
      )
    end

    it "never lets a stop be overruled, chosen, or decided unseen" do
      expect(parse(:stop, seen: "stop", decided: "repeat", because: "x").errors).to eq(
        {"decided" => "a stop is not overruled"}
      )
      expect(parse(:repeat, seen: "repeat", decided: "stop", because: "x").errors.keys).to eq ["decided"]
      expect(parse(:stop, seen: "repeat", decided: "accept").errors.keys).to eq ["seen"]
      expect(parse(:stop, seen: "stop", decided: "accept").decided(:stop)).to eq :stop
    end
  end

  describe Windlass::Presenters::SessionLog, :web do
    it "is a line a day: sets, first breaths, urges marked and forecast, effort, and what was decided" do
      prescription = prescribe(make_athlete.tap { |one| make_pause(one) })
      yesterday =
        Array.new(2) { |index| run_set(prescription, at: clock.now - 86_400, breaths: {(index + 3) => "deeper"}) }
      yesterday
        .first
        .rounds
        .first(2)
        .each_with_index { |round, index| round.update!(first_urge_ms: 4_000 + index * 1_000) }
      Windlass::Actions::Decide.call(
        yesterday.last,
        Windlass::Queries::JudgeDay.call(yesterday.last),
        decided: :advance,
        because: "Easy for her",
        now: clock.now
      )
      run_set(prescription, breaths: {1 => "gasp"}, effort: 7.5)
      sessions = Windlass::Records::Session.run.in_order.to_a
      log =
        described_class.new(
          sessions,
          Windlass::Records::Move.all.to_a,
          Windlass::Records::Round.outcomes(sessions.map(&:id))
        )
      lines = log.lines

      expect(lines.map(&:date)).to eq ["Mon 2 Mar", "Sun 1 Mar"]
      expect(lines.last).to have_attributes(
        sets: "2 of 2",
        breaths: "24 smooth, 2 deeper",
        effort: "3",
        urge: match(%r{\A4.5 s / 2\d s\z}),
        verdict: "advance (proposed: repeat)"
      )
      expect(lines.first).to have_attributes(
        sets: "1 of 3",
        breaths: "12 smooth, 1 gasp",
        effort: "7.5",
        verdict: "to decide"
      )
    end
  end
end
