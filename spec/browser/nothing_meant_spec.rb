# frozen_string_literal: true

require "browser_helper"
require "digest"

# Nothing happens that nobody pressed: whoever only walks through a page with Tab, types into its fields, or presses a
# button and lets go elsewhere, has written nothing.
RSpec.describe "Walking through a page", :browser do
  # Two of the demo, with one day that is not decided.
  before do
    Windlass::Demo::Scenario.load(now: clock.now, people: Many.short(Windlass::Demo::PEOPLE.values_at(15, 8)))
    Windlass::Records::Athlete.first.prescriptions.first.moves.order(:local_date).last.delete
  end

  let(:connection) { ActiveRecord::Base.connection }

  # All that is kept, in one figure.
  def everything
    tables = connection.tables - %w[schema_migrations ar_internal_metadata]
    Digest::SHA256.hexdigest(tables.sort.map { |table| connection.select_rows("SELECT * FROM #{table}").inspect }.join)
  end

  def undecided = Windlass::Records::Session.kept.undecided.in_order.last

  def pages
    athlete = Windlass::Records::Athlete.first
    own = Windlass::Records::OwnProtocol.first
    voice = Windlass::Records::Session.where(protocol: "hiss-ladder").last
    [
      "/",
      "/athletes",
      "/athletes/new",
      "/athletes/#{athlete.id}",
      "/athletes/#{athlete.id}/edit",
      "/athletes/#{athlete.id}/screening",
      "/athletes/#{athlete.id}/control-pauses/new",
      "/athletes/#{athlete.id}/measures",
      "/athletes/#{athlete.id}/measures/maximal_hold/new",
      "/protocols?athlete_id=#{athlete.id}",
      "/protocols/co2-table?athlete_id=#{athlete.id}",
      "/own-protocols/#{own.id}?athlete_id=#{athlete.id}",
      "/prescriptions/#{athlete.prescriptions.first.id}",
      "/sessions/#{undecided.uuid}",
      "/sessions/#{voice.uuid}",
      "/bench",
      "/log",
      "/water",
      "/place",
      "/prescriptions/#{athlete.prescriptions.first.id}/write-in",
      "/athletes/#{athlete.id}/dives"
    ]
  end

  # What a Tab key reaches; text goes into what takes text, and Overrule is opened.
  def walk
    page.all("details summary", wait: 0).each(&:click)
    reach =
      page.evaluate_script("document.querySelectorAll('a, button, input, select, textarea, summary').length").clamp(
        10,
        70
      )
    page.driver.browser.keyboard.type(*([:tab, "x"] * reach))
  end

  # Press, drag off, let go.
  def press_and_leave
    mouse = page.driver.browser.mouse
    places =
      page.evaluate_script(
        "[...document.querySelectorAll('main form button')].filter((one) => one.offsetParent).map((one) => { " \
        "one.scrollIntoView({block: 'center'}); const box = one.getBoundingClientRect(); return [box.x + box.width " \
        "/ 2, box.y + box.height / 2]; }).slice(-3)"
      )
    places.each { |x, y| mouse.move(x: x, y: y).down.move(x: 3, y: 3).up }
  end

  # Longer than a preview takes to come: what is pressed is not drawn away from under the finger.
  def slowly_press(element)
    x, y =
      element.evaluate_script(
        "(() => { this.scrollIntoView({block: 'center'}); const box = this.getBoundingClientRect(); return [box.x + " \
        "12, box.y + box.height / 2]; })()"
      )
    mouse = page.driver.browser.mouse.move(x: x, y: y).down
    sleep 0.7
    mouse.up
  end

  # A preview and a deed lie apart: what asks has no button in it and is none. A form that is sent in place, to its own
  # address and by a press alone, is no preview.
  def mixed =
    page.all(
      "form[hx-get], [hx-get] form, [hx-post]:not(form) form, [hx-get] button, [hx-post]:not(form) button, " \
      "[hx-get][formaction], [hx-post][formaction], form[hx-trigger]",
      visible: :all,
      wait: 0
    ).to_a + page.all("form[hx-post]", visible: :all, wait: 0).reject { |form| in_place?(form) }

  def in_place?(form) = form["hx-post"] == URI(form[:action]).path

  it "writes nothing, stays on the page, and finds no preview that could post to a button's address" do
    clock.now += 3600
    Many.some(pages).each do |path|
      visit(path)
      expect([path, mixed.map { |one| one[:outerHTML].to_s[0, 120] }]).to eq [path, []]
      before = [everything, page.current_path]
      walk
      press_and_leave
      sleep 0.3

      expect([path, everything, page.current_path]).to eq [path, *before]
    end
  end

  # What was tried: Overrule, a reason, Tab; a note, and Tab twice.
  it "decides only what is pressed, keeps the reason through every preview, and leaves the rest of the page alone" do
    session = undecided
    visit("/sessions/#{session.uuid}")
    fill_in("note", with: "Rainy")
    # A browser that is starved of time may lose a press; not twice.
    2.times { slowly_press(find("summary", text: "Overrule")) unless page.has_css?("#overrule[open]", wait: 2) }
    expect(page).to have_css("#overrule[open]")
    find("label", text: "3", exact_text: true).click
    2.times { key(:tab) }
    sleep 0.4
    fill_in("because", with: "Looks tired")
    key(:tab)
    find("label", text: "9", exact_text: true).click
    expect(page).to have_css("#verdict", text: "Effort 9 of 10.")

    expect(page).to have_field("because", with: "Looks tired")
    expect(page.all("h1, .masthead, #verdict").size).to eq 3
    expect(Windlass::Records::Move.kept.where(session_id: session.id)).to be_empty
    expect(session.reload.note).to eq ""
  end
end
