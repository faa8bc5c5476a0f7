# frozen_string_literal: true

require "web_helper"

RSpec.describe Windlass::RoutesByWord, :web do
  %w[GET POST].each do |verb|
    it "tries a route of #{verb} wherever all together would find it, in their order, and few besides" do
      all = Windlass::Web.routes.fetch(verb)
      by_word = described_class.of(all)
      all.each do |route|
        # What stands for a number or a name is anything; only one pattern is none of Sinatra's own.
        address = route.first.to_s.gsub(/\\|\(|\)|d\+/, "").gsub(/:\w+/, "7")
        tried = by_word[address[described_class::WORD, 1]]
        found = ->(routes) { routes.find { |pattern, *| pattern.match(address) } }
        expect([address, found.call(tried)]).to eq [address, found.call(all)]
      end
      expect(by_word.values).to all satisfy { |tried| tried == all & tried }
      expect(by_word.values.sum(&:size)).to be < 10 * by_word.size
    end
  end

  it "tries all where an address spells its word otherwise, and knows what was added" do
    get("/%61thletes/new")
    expect(text).to start_with "New athlete"

    stub_const("Windlass::Rights::ROUTES", {})
    web = Class.new(Windlass::Web)
    asked = ->(path) { web.routes_of(Rack::Request.new(Rack::MockRequest.env_for(path))).routes["GET"].size }
    expect { web.get("/here/:id", may: :anyone) { "x" } }.to change { asked.call("/here/1") }.by(1)
      .and(change { asked.call("/there") }.by(0))
  end
end
