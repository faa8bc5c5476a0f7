# frozen_string_literal: true

require "web_helper"

RSpec.describe Windlass::JsonText do
  it "writes what the library's own generator writes" do
    value = {:a => 1r / 3, 3 => :sound, nil => Date.new(2026, 3, 2), "k" => [1.5, nil, true, "<é\u2028\"", :"a b"]}

    expect(described_class.of(value)).to eq JSON.generate(value)
    expect { described_class.of([Float::NAN]) }.to raise_error JSON::GeneratorError
  end
end
