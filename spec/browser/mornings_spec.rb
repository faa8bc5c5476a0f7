# frozen_string_literal: true

require "browser_helper"

RSpec.describe "Morning scores in one table, in the browser", :browser do
  before { %w[Anna Bo Césaire Dörte].each { |name| make_athlete(name: name) } }

  def typed = page.all("input.seconds").map(&:value)

  def paste(text, into:)
    page.execute_script(<<~JS, text)
      const data = new DataTransfer();
      data.setData("text/plain", arguments[0]);
      document.querySelector("[data-name='#{into}']")
        .dispatchEvent(new ClipboardEvent("paste", {clipboardData: data, bubbles: true, cancelable: true}));
    JS
  end

  it "is typed with figures and Enter alone, and saved by one Enter more" do
    visit("/mornings")
    page.first("input.seconds").click
    key("2", "4", :enter, "1", "9", :enter, :enter, "3", "1", :enter)
    expect(typed).to eq ["24", "19", "", "31"]
    key(:enter)
    expect(page).to have_text("3 morning scores kept: Anna, Bo, Dörte.")
  end

  it "takes a pasted column from where one stands, and with names whoever they are of" do
    visit("/mornings")
    paste("21\n22,5\n23\n", into: "Bo")
    expect(typed).to eq ["", "21", "22,5", "23"]
    paste("Name\tSeconds\ndorte\t18\n17 s\tCESAIRE\nNobody\t30", into: "Anna")
    expect(typed).to eq ["", "21", "17 s", "18"]
    expect(page).to have_css(".fault", text: "No row for: Nobody")
  end
end
