# frozen_string_literal: true

require "browser_helper"

# A planned session is carried by keys and by the mouse; where a wall stands it is said, and it can't be put there.
RSpec.describe "Carrying a session", :browser do
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }
  let(:monday) { clock.now.to_date + (8 - clock.now.to_date.cwday) }
  let(:programme) do
    prescription = prescribe(athlete)
    [1, 3, 6].each { |day| Windlass::Records::Slot.create!(athlete: athlete, day: day, at_min: 420, minutes: 40) }
    Windlass::Actions::PlanProgramme
      .begin([athlete], times: {prescription.id => 2}, starts_on: monday, weeks: 2, easy_every: nil, now: clock.now)
      .first
      .tap { |one| Windlass::Actions::PlanProgramme.fill(one, now: clock.now) }
  end

  def days = Windlass::Records::PlannedSession.in_order.map { |one| (one.local_date - monday).to_i }

  it "by M, arrows and Enter, to an open day and not to a closed one; Escape leaves it" do
    first, second = programme.planned_sessions.first(2).map { |one| (one.local_date - monday).to_i }
    open = ([0, 2, 5] - [first, second]).first
    visit("/athletes/#{athlete.id}/programme")
    page.execute_script("document.querySelector('[data-planned]').focus()")
    page.send_keys("m")
    expect(page).to have_content("Picked up. The marked days are open.")
    (second - first).abs.times { page.send_keys(:right) }
    expect(page).to have_content("It is planned on that day already.")
    page.send_keys(:enter)
    expect(days.first).to eq first
    (open - second).abs.times { page.send_keys((open > second) ? :right : :left) }
    expect(page).to have_content("open at 07:00. Enter puts it down.")
    page.send_keys(:enter)
    expect(page).to have_content("at 07:00 now.")
    expect(days.first(2)).to eq [second, open].sort

    page.execute_script("document.querySelector('[data-planned]').focus()")
    page.send_keys("m")
    expect(page).to have_content("Picked up.")
    page.send_keys(:escape)
    expect(page).to have_no_css(".carried")
  end

  it "by the mouse" do
    first, second = programme.planned_sessions.first(2).map { |one| (one.local_date - monday).to_i }
    open = ([0, 2, 5] - [first, second]).first
    visit("/athletes/#{athlete.id}/programme")
    # As the browser would say it: headless, a mouse that is moved by a script drags nothing.
    drag = ->(kind, where) do
      page.execute_script(
        "document.querySelector(arguments[1]).dispatchEvent(new DragEvent(arguments[0], { bubbles: true, " \
        "cancelable: true, dataTransfer: new DataTransfer() }))",
        kind,
        where
      )
    end
    drag["dragstart", "td[data-date='#{monday + first}'] [data-planned]"]
    expect(page).to have_content("Picked up.")
    drag["dragover", "td[data-date='#{monday + second}']"]
    expect(page).to have_content("It is planned on that day already.")
    %w[dragover drop].each { |kind| drag[kind, "td[data-date='#{monday + open}']"] }
    expect(page).to have_content("at 07:00 now.")
    expect(days.first(2)).to eq [second, open].sort
  end
end
