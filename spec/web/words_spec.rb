# frozen_string_literal: true

require "web_helper"

# Words that coaches stumbled over are not said again, in whatever file somebody may write next.
RSpec.describe "Words" do
  retired = [
    "Ask, run", "Only keep", "Nothing else: run", "Ask again, and run", "Keep the answers", "Keep and read",
    "0 nothing to 10 all there is", "vision going", "Its lag is found by itself", "one wants of a healthy adult",
    "many seconds behind the lungs", "breathe small", "From worked up", "Dry, all of them", "Going low in oxygen",
    "middling adult", "A body of one's own", "Work it out", "What that leaves open", "Now or in the past, is there",
    "Clinician, name and kind", "To read a score in context", "Stands at", "Protocols from it",
    "waiting for the server", "Break the pattern in single", "goes with busy breathing", "Counts in the morning series",
    "so many breaths and no more", "soft dry ground", "Set the unmarked to smooth", "To the sheet", "the chief measure",
    "ribs do not drop", "A step comes by itself", "To the sheets"
  ].freeze

  it "that were retired stand in no view, script or rule" do
    files =
      Dir[File.expand_path("../../{app,lib}/**/*.{rb,erb,js,yml}", __dir__)].reject { |path| path.include?("/vendor/") }
    found =
      files.flat_map do |path|
        retired.select { |words| File.read(path).include?(words) }.map { |words| "#{File.basename(path)}: #{words}" }
      end
    expect([files.size, found]).to match [be > 300, []]
  end

  it "for times have one form: a minute and more is a time, less is seconds" do
    words = Windlass::Words
    expect([0.5, 59.9, 59.96, 60, 62.5, 95, 3599.96, 754].map { |seconds| words.seconds(seconds) }).to eq [
      "0.5 s", "59.9 s", "1:00", "1:00", "1:02.5", "1:35", "60:00", "12:34"
    ]
    typed =
      ["95", "1:35", " 1:35,5", "0:07"].map do |text|
        Windlass::Forms::ControlPauseForm.parse({"seconds" => text}, today: Date.new(2026, 3, 2)).values[:seconds]
      end
    expect(typed).to eq [95.0, 95.0, 95.5, 7.0]
  end
end
