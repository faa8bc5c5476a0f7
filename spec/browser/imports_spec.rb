# frozen_string_literal: true

require "browser_helper"

# A long table, from the log to the log: the page follows by itself what happens behind it.
RSpec.describe "A long file in a browser", :browser do
  def notebook
    file = Tempfile.new(%w[notebook .csv])
    file.write(
      "name,protocol,date,holds,note\n",
      *(1..60).map { |day| "Ines Aldaya,Small holds,#{(Date.today - day).iso8601},5x13 ok e3,#{"as before " * 30}\n" }
    )
    file.tap(&:close)
  end

  def work_off = Delayed::Worker.new.work_off

  before do
    clock.now = Time.now
    prescribe(make_athlete.tap { |athlete| make_pause(athlete, at: clock.now - 86_400) })
    visit("/log")
    page.execute_script("document.querySelectorAll('details').forEach((one) => { one.open = true })")
    attach_file("table", notebook.path)
    page.execute_script("document.querySelector('input[name=table]').form.requestSubmit()")
  end

  it "shows how far it is, asks when it was looked at, and leads on when it is kept, without a press in between" do
    expect(page).to have_text("It waits for its turn.")
    expect(page).to have_css("progress")
    expect(violations).to eq []
    work_off
    expect(page).to have_text("60 rows would be kept; 0 here already or discarded; 0 wrong.")
    expect(violations).to eq []
    click_button("Keep them")
    expect(page).to have_text("It goes on without this page.")
    work_off
    expect(page).to have_current_path("/log")
    expect(page).to have_text("60 rows kept.")
  end

  it "is stopped by one press, says so, and is found again where it was" do
    click_button("Stop it")
    expect(page).to have_text("It is being stopped.")
    work_off
    expect(page).to have_text("It was stopped: nothing of it was kept.")
    click_link("To the place")
    click_link("A file from elsewhere")
    expect(page).to have_text("It was stopped: nothing of it was kept.")
    expect(Windlass::Records::Session.count).to eq 0
  end
end
