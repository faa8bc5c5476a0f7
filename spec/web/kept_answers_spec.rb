# frozen_string_literal: true

require "web_helper"

# What the gas model and the ladders answered is kept. Whatever an answer hangs on is changed here, one thing after the
# other: each time it has to be what it would be had nothing been kept, and another one where it hangs on that.
RSpec.describe "Answers that are kept", :web do
  let(:ines) do
    make_athlete(disciplines: %w[freediving surfing]).tap do |one|
      make_pause(one, 25)
      one.measures.create!(
        account_id: 1,
        uuid: SecureRandom.uuid,
        kind: "maximal_hold",
        value: 150,
        taken_at: clock.now - 40 * 86_400,
        details: {}
      )
    end
  end
  let(:prescription) { Windlass::Actions::Prescribe.call(ines, Windlass::Protocols.find("co2-table"), now: clock.now) }
  let(:session) { plan(prescription) }
  let(:keeps) do
    physiology = Windlass::Physiology
    [
      Windlass::Forecasts::PLANS,
      Windlass::Forecasts::BODIES,
      Windlass::Records::Prescription::STANDINGS,
      Windlass::Records::AthleteSnapshot::KEPT,
      Windlass::Presenters::Miniature::DRAWN,
      Windlass::Presenters::LibraryOffer.const_get(:SHOWN),
      Windlass::Presenters::Bench::TRIED,
      Windlass::Presenters::Bench::COLUMNS,
      physiology::Subject::RESTED,
      physiology::Cap.const_get(:KEPT)
    ]
  end

  # As a request finds them: read anew from the database.
  def answers
    athlete = Windlass::Records::Athlete.find(ines.id)
    one = athlete.prescriptions.find(prescription.id)
    standing = one.to_standing(on: clock.now.to_date)
    {
      forecast: athlete.sessions.find(session.id).forecast_of_plan&.holds,
      ladder: standing&.ladder&.rungs,
      place: standing && [standing.rung, standing.reduced, standing.dose],
      line:
        standing &&
          Windlass::Presenters::Miniature.of(
            standing.protocol,
            standing.dose,
            athlete.to_body(on: clock.now.to_date)
          ).ink,
      library: page_of("/protocols?athlete_id=#{ines.id}"),
      bench: page_of("/bench?athlete_id=#{ines.id}")
    }
  end

  def page_of(path)
    get(path)
    page.css("input[name=authenticity_token], meta").each(&:remove)
    page.at("main").to_html.gsub(/value="[^"]{40,}"/, "")
  end

  # What each change has to change, besides what it may.
  changes = {
    "mass" => [->(one, _) { one.update!(mass_kg: 74) }, %i[forecast bench]],
    "height" => [->(one, _) { one.update!(height_cm: 180) }, %i[forecast bench line library]],
    "sex" => [->(one, _) { one.update!(sex: "male") }, %i[forecast bench]],
    "a vital capacity that was measured" => [->(one, _) { one.update!(vital_capacity_l: 6.2) }, %i[forecast bench]],
    "what the log taught of thrift, by SQL alone" => [
      ->(one, _) { Windlass::Records::Athlete.where(id: one.id).update_all(thrift: 1.15) },
      %i[forecast bench]
    ],
    "a control pause" => [->(one, spec) { spec.make_pause(one, 34, at: spec.clock.now - 600) }, %i[forecast bench]],
    "what it taught of full lungs" => [->(one, _) { one.update!(full_threshold: 70) }, %i[forecast]],
    "a birthday" => [->(one, _) { one.update!(born_on: "1960-04-01") }, %i[forecast bench]],
    "a maximal hold" => [
      ->(one, spec) do
        one.measures.create!(
          account_id: 1,
          uuid: SecureRandom.uuid,
          kind: "maximal_hold",
          value: 170,
          taken_at: spec.clock.now - 500,
          details: {}
        )
      end,
      %i[ladder library]
    ],
    "a limit that the coach sets" => [
      ->(one, _) { one.prescriptions.first.update!(limits: {hold_s: 60}) },
      %i[ladder]
    ],
    "a rung higher" => [
      ->(one, _) do
        one.prescriptions.first.then { |its| its.update!(dose: its.to_standing(on: Date.new(2026, 3, 2)).at(1).dose) }
      end,
      %i[place]
    ],
    "half of it" => [->(one, _) { one.prescriptions.first.update!(reduced: true) }, %i[place]],
    "locks" => [->(one, _) { one.update!(locks: true) }, []],
    "a heart condition" => [->(one, spec) { spec.screen(one, :heart, on: spec.clock.now.to_date) }, %i[library]],
    "a pregnancy" => [
      ->(one, spec) { spec.screen(one, :pregnancy, on: spec.clock.now.to_date) },
      %i[forecast library bench]
    ]
  }.freeze

  it "are what they would be had nothing been kept, whatever changes" do
    session
    answers
    Many.some(changes.to_a).each do |name, (change, changed)|
      undone do
        keeps.each(&:clear)
        before = answers
        change.call(Windlass::Records::Athlete.find(ines.id), self)
        after = answers
        keeps.each(&:clear)
        fresh = answers
        different = fresh.keys.reject { |answer| fresh[answer] == before[answer] }

        expect([name, after.reject { |answer, value| fresh[answer] == value }.keys]).to eq [name, []]
        expect([name, changed - different]).to eq [name, []]
      end
    end
  end

  # Each change by itself: after a pregnancy a birthday moves nothing.
  def undone
    ActiveRecord::Base.transaction(requires_new: true) do
      yield
      raise ActiveRecord::Rollback
    end
  end

  it "are asked for once" do
    session
    2.times { answers }
    expect(Windlass::Physiology::Simulation).not_to receive(:new)
    answers
  end
end
