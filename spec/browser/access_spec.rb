# frozen_string_literal: true

require "browser_helper"

module Reached
  # Files, and pages that would be the same as another.
  NO_PAGES = /\.(pdf|csv|json|ics|wav|mid|yml|uddf)(\?|\z)|\A#|\A(http|tel:)/
  # Width, height, colours: a desk, a phone at night, and what is left of 1280 at four hundred per cent.
  SIZES = [[1280, 800, "light"], [390, 844, "dark"], [320, 640, "light"]].freeze
  # What no link leads to: it is sent from a form, or stands behind a button.
  BESIDES = ->(session, squad) do
    [
      "/nothing",
      "/along",
      "/sessions/#{session.uuid}/deck",
      "/sessions/#{session.uuid}/follow",
      "/squads/#{squad.uuid}/deck",
      "/squads/#{squad.uuid}/follow",
      "/water/clock?pairs=1-2",
      "/protocols?athlete_id=#{session.athlete_id}",
      "/protocols/co2-table?athlete_id=#{session.athlete_id}",
      "/log?verdict=rubbish&from=2026-03-09&to=2026-03-01"
    ]
  end

  # Wrong by hand, beside what axe finds: what points nowhere, what is wider than the screen, what is read twice.
  WRONG = <<~JS
    (() => {
      const wrong = [];
      for (const one of document.querySelectorAll("[aria-describedby], [aria-labelledby], [aria-controls]"))
        for (const name of ["aria-describedby", "aria-labelledby", "aria-controls"])
          for (const id of (one.getAttribute(name) ?? "").split(" ").filter(Boolean))
            if (!document.getElementById(id)) wrong.push(`${name} ${id}`);
      const ids = [...document.querySelectorAll("[id]")].map((one) => one.id);
      wrong.push(...ids.filter((id, index) => ids.indexOf(id) !== index).map((id) => `twice: ${id}`));
      if (document.documentElement.scrollWidth > innerWidth) wrong.push(`${document.documentElement.scrollWidth} wide`);
      if (!document.title.includes(" – Windlass")) wrong.push("no title");
      return wrong;
    })()
  JS
end

# Every page that links lead to from Today, one of each kind; not a list that somebody forgets to lengthen.
RSpec.describe "Every page that a crawler reaches", :browser do
  # Of a few weeks: what axe looks at grows with them, what there is to find does not.
  def load_demo =
    Windlass::Demo::Scenario.load(
      now: WebHelpers::NOON,
      people: Many.short(Windlass::Demo::PEOPLE.values_at(0, 3, 8))
    )

  # @return [Array<Records::Prescription>] of those whom nothing keeps from it today
  def able =
    Windlass::Records::Athlete.all.filter_map do |one|
      one.prescriptions.find_by(protocol: "small-holds")&.tap { |holds| plan(holds) }
    rescue Windlass::Error
      nil
    end

  def squad =
    Windlass::Actions::PlanSquad.call(account, able, now: clock.now)

  # @return [String] the same for all athletes, sessions and so on
  def kind_of(path) =
    path[/\A[^?#]*/]
      .gsub(/\h{8}-[-\h]{27}/, ":uuid")
      .sub(%r{\A/protocols/[-a-z]+}, "/protocols/:family")
      .gsub(/\d+/, ":id")

  # Opens a page of each kind.
  # @yield [String] its address
  def crawl(starts)
    known = Set[*starts.map { |path| kind_of(path) }]
    waiting = ["/", *starts]
    until waiting.empty?
      path = waiting.shift
      visit(path)
      page
        .evaluate_script("[...document.querySelectorAll('a[href]')].map((link) => link.getAttribute('href'))")
        .grep_v(Reached::NO_PAGES)
        .each { |link| waiting << link if known.add?(kind_of(link)) }
      yield path
    end
  end

  # The ruler measures the page at all sizes; axe is asked at one of them, in turns, and at all of them by --large.
  # @return [Array<String>]
  def wrong_on(path, turn)
    page.execute_script("for (const one of document.querySelectorAll('main details')) one.open = true")
    Reached::SIZES.each_with_index.filter_map do |(width, height, colours), size|
      page.driver.resize(width, height)
      page.driver.browser.page.command(
        "Emulation.setEmulatedMedia",
        features: [{name: "prefers-color-scheme", value: colours}]
      )
      asked = Many::LARGE || turn % Reached::SIZES.size == size
      found = (asked ? violations : []) + page.evaluate_script(Reached::WRONG)
      [path, width, *found].join(" ") if found.any?
    end
  end

  it "has nothing that axe or a ruler finds wrong, unfolded, at a desk, on a phone at night, and at four hundred " \
    "per cent" do
    load_demo
    wrong = []
    turns = 0
    crawl(Reached::BESIDES.call(Windlass::Records::Session.kept.last, squad)) do |path|
      wrong.concat(wrong_on(path, turns += 1))
    end
    visit("/athletes/new")
    first("main form.sheet button:not([type=button])").click
    wrong.concat(wrong_on("/athletes/new with faults", turns += 1))
    expect(wrong.join("\n")).to eq ""
    expect(turns).to be > 40
  end

  it "sums up what is to be corrected where the eyes and the focus are, and leads to each field" do
    visit("/athletes/new")
    first("main form.sheet button:not([type=button])").click

    expect(page.title).to start_with "To correct: New athlete"
    expect(page.evaluate_script("document.activeElement.id")).to eq "faults"
    fields = all("#faults a").map { |link| link[:href][/#(.*)/, 1] }
    expect(fields.size).to be > 3
    expect(fields.map { |id| page.has_css?("input##{id}, select##{id}", visible: :all) }).to all be true
  end

  it "shows its keys by ? and by a button that says so, on every page" do
    %w[/ /place /rules /water].each do |path|
      visit(path)
      key("?")
      expect(page).to have_css("dialog#keys[open]")
      key(:escape)
      expect(page).to have_no_css("dialog#keys[open]")
      find("[data-keys]").click
      expect(page).to have_css("dialog#keys[open]")
    end
  end

  it "works without scripts, but for the deck" do
    athlete = make_athlete
    page.driver.browser.page.command("Emulation.setScriptExecutionDisabled", value: true)
    visit("/athletes/#{athlete.id}/control-pauses/new")
    fill_in("Pause (seconds, or 1:05)", with: "11,5")
    ["a twitch of the diaphragm", "as calm as the one before", "at another time"].each do |answer|
      find("label", text: answer).click
    end
    click_button("Save")

    expect(page).to have_text("11.5 s: low. Valid, but not taken on waking")
  end
end
