# frozen_string_literal: true

require "browser_helper"

RSpec.describe "The bench in the browser", :browser do
  it "answers while one types, and gives the figures of the map under the pointer and to the arrow keys" do
    visit("/bench")
    find_field("Deep breaths, B").send_keys([:control, "a"], "6")
    expect(page).to have_css("#bench-result", text: /B The urge comes .*\d+ s before the oxygen is low/)
    expect(page.current_url).to include "deep_breaths%5D=6"

    page.execute_script("document.querySelector('[aria-label^=\"Map of deep breaths\"]').focus()")
    key(:right, :up)
    expect(page).to have_css(".map-words", text: "4 deep breaths, 1:00 held")
    page.all(".map .cell").last.hover
    expect(page).to have_css(".map-words", text: "40 deep breaths, 4:00 held: past the floor, and no urge before it")
  end

  it "shows a running oximeter on the deck, in the demo" do
    stub_const("ENV", ENV.to_h.merge("WINDLASS_DEMO" => "1"))
    give_clock
    athlete = make_athlete.tap { |one| make_pause(one) }
    visit("/prescriptions/#{prescribe(athlete).id}")
    click_button("All well: start")
    expect(page).to have_text("Saved")
    key(:space, "o")
    click_button("Simulated pair")
    click_button("Done")

    expect(page).to have_css(".reading", text: /\A9\d % · \d\d a minute\z/)
  end
end
