# frozen_string_literal: true

require "browser_helper"

RSpec.describe "Every main view", :browser do
  before do
    Windlass::Demo::Scenario.load(now: WebHelpers::NOON, people: Windlass::Demo::PEOPLE.values_at(3, 8))
  end

  it "has no accessibility violation that axe finds, at a desk and on a phone, and fits its screen" do
    athlete = Windlass::Records::Athlete.first
    session = athlete.sessions.last
    group = Windlass::Records::Group.first
    squad = Windlass::Actions::PlanSquad.call(account, Windlass::Records::Athlete.all.map { |one| one.prescriptions.find_by(protocol: "small-holds") }.each { |one| plan(one) }, now: clock.now)
    paths = ["/", "/athletes", "/athletes/new", "/athletes/#{athlete.id}", "/athletes/#{athlete.id}/screening", "/athletes/#{athlete.id}/control-pauses/new",
      "/control-pauses/#{athlete.measures.last.uuid}", "/prescriptions/#{athlete.prescriptions.first.id}",
      "/sessions/#{session.uuid}", "/sessions/#{session.uuid}/deck", "/bench", "/nothing", "/rules", "/protocols", "/protocols/co2-table",
      "/protocols?athlete_id=#{Windlass::Records::Athlete.last.id}", "/own-protocols/#{Windlass::Records::OwnProtocol.first.id}",
      "/athletes/#{Windlass::Records::Athlete.last.id}/measures", "/athletes/#{athlete.id}/measures/breathing_movement/new",
      "/measures/#{Windlass::Records::Measure.where(kind: "sustained_exhale").first.uuid}", "/log", "/prescriptions/#{athlete.prescriptions.first.id}/write-in", "/water", "/place", "/along",
      "/athletes/#{athlete.id}/dives", "/squads/#{squad.uuid}", "/squads/#{squad.uuid}/deck", "/squads/#{squad.uuid}/follow", "/sessions/#{session.uuid}/follow",
      "/measures/#{Windlass::Records::Measure.first.uuid}/correct", "/screenings/#{Windlass::Records::Screening.first.id}/correct", "/athletes/#{athlete.id}/programme", "/athletes/#{athlete.id}/programme/anew", "/programme?all=1",
      "/programme/load", "/groups/#{group.id}", "/groups/#{group.id}/edit", "/groups/#{group.id}/plan", "/planned/#{Windlass::Records::PlannedSession.in_order.last.uuid}"]

    [[1280, 800], [390, 844]].each do |width, height|
      page.driver.resize(width, height)
      paths.each do |path|
        visit(path)
        expect([path, violations]).to eq [path, []]
        expect([path, page.evaluate_script("document.documentElement.scrollWidth")]).to match [path, be <= width]
      end
    end
  end

  it "works without scripts, but for the deck" do
    athlete = Windlass::Records::Athlete.last
    page.driver.browser.page.command("Emulation.setScriptExecutionDisabled", value: true)
    visit("/athletes/#{athlete.id}/control-pauses/new")
    fill_in("Pause, seconds", with: "11,5")
    ["a twitch of the diaphragm", "as calm as the one before", "at another time"].each { |answer| find("label", text: answer).click }
    click_button("Save")

    expect(page).to have_text("11.5 s: low. Valid, but not taken on waking")
  end
end
