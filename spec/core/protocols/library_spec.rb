# frozen_string_literal: true

RSpec.describe Windlass::Protocols do
  described_class::ALL.each { |protocol| describe(protocol.name) { it_behaves_like "a protocol", protocol } }

  it "finds by id, and lists what there is where there is none" do
    expect(described_class.find("small-holds").name).to eq "Small holds"
    expect { described_class.find("File") }.to raise_error Windlass::Unknown,
      /"File" does not exist; known: small-holds/
  end

  # A session of blocks is no family: it is made of them.
  it "has a file for each family and no other" do
    files =
      Dir[File.expand_path("../../../lib/windlass/protocols/*.rb", __dir__)].map { |path| File.basename(path, ".rb") }

    expect(described_class::ALL.map { |protocol| protocol.id.tr("-", "_") }).to match_array files - ["blocks"]
  end
end
