# frozen_string_literal: true

require "browser_helper"

# The morning by keyboard: from row to row, what is plain accepted in place, the next one in focus.
RSpec.describe "The desk", :browser do
  it "finds somebody by / from a list, and says so under ?" do
    ["Ada Quill", "Bo Tarn"].each { |name| make_athlete(name: name) }
    visit("/athletes")
    page.send_keys("/")
    page.send_keys("quill", :enter)
    expect(page).to have_css("tbody tr", count: 1, text: "Ada Quill")
    page.execute_script("document.activeElement.blur()")
    page.send_keys("?")
    expect(page).to have_css("dialog[open]", text: "search")
  end

  it "accepts what is plain by A, says so where it stands, and goes on to the next" do
    %w[Ada Bo].each do |name|
      athlete = make_athlete(name: name).tap { |one| make_pause(one, 24) }
      prescription = prescribe(athlete)
      2.times { run_set(prescription, at: clock.now - 86_400) }
    end
    visit("/")
    page.execute_script("document.querySelector('[data-row]').focus()")
    page.send_keys("a")
    expect(page).to have_content("Accepted: repeat.")
    expect(page).to have_css("[data-row]:focus", text: "Bo")
    page.send_keys("a")
    expect(page).to have_content("Accepted: repeat.", count: 2)
    expect(Windlass::Records::Move.kept.count).to eq 2
    click_button("Undo: Bo, Small holds")
    expect(page).to have_content("Accept: repeat")
    expect(Windlass::Records::Move.kept.count).to eq 1
  end
end
