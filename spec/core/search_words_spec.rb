# frozen_string_literal: true

# What coaches type, and the families they mean by it.
RSpec.describe Windlass::SearchWords do
  def found(search)
    Windlass::Protocols::ALL.select do |one|
      described_class.found?(search, one.name, one.also, one.known_as, one.trains)
    end.map(&:id)
  end

  it "finds families by the trade's words, in any common spelling" do
    {
      "push-up" => "loaded-holds", "press ups" => "loaded-holds", "pushups" => "loaded-holds", "box" => "ratio",
      "surf" => "loaded-holds",
      "singers" => "hiss-ladder", "dive" => "co2-table", "big breath" => "deep-rounds", "locks" => "ratio-deep",
      "metronome" => "ratio", "sun" => "alternate-nostril", "moon" => "alternate-nostril",
      "Nadi Shodhan" => "alternate-nostril", "nadi sodhana" => "alternate-nostril", "bastrika" => "bellows",
      "antara kumbaka" => "ratio-deep", "kumbhaka" => "own-pace", "apnoea" => "single-hold", "CO₂" => "co2-table"
    }.each { |typed, id| expect([typed, found(typed)]).to match [typed, include(id)] }
  end

  it "finds all by nothing, and nothing by what stands nowhere" do
    expect(found(" - ").size).to eq Windlass::Protocols::ALL.size
    expect([found("trombone"), found("box trombone")]).to eq [[], []]
  end
end
