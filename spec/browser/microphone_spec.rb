# frozen_string_literal: true

require "browser_helper"

# Chromium's own fake microphone plays a file that the project writes: a room, three seconds of a hiss, the room.
RSpec.describe "The microphone that times a hiss", :browser do
  let(:heard) { /Heard: (5\.[5-9]|6\.[0-5]) beats, (even|flickering)/ }
  let(:athlete) { make_athlete.tap { |one| make_pause(one) } }

  def allow_microphone
    click_button("Microphone")
    expect(page).to have_text("Levels only: no sound is kept or sent.")
    expect(page).to have_css("#level[points*=',']", visible: :all)
  end

  # A machine that is busy swallows sound: the file is played from its beginning again then, three times at most.
  def hiss(times = 3)
    visit("/athletes/#{athlete.id}/measures/sustained_exhale/new")
    allow_microphone
    fill_in("Tempo, beats a minute", with: "120")
    page.execute_script("document.activeElement.blur()")
    key(:space)
    sleep 7.5
    key(:space)
    hiss(times - 1) unless page.has_text?(heard) || times == 1
  end

  it "fills the measure with what it heard, and what it filled can be corrected" do
    hiss
    expect(page).to have_text(heard)
    expect(find_field("Hissed, beats").value).to match(/\A[56]\z/)
    fill_in("Hissed, beats", with: "7")
    expect(find_field("Hissed, beats").value).to eq "7"
  end
end
