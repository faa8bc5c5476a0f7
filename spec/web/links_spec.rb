# frozen_string_literal: true

require "web_helper"
require "set"
require_relative "../../db/demo/scenario"

# Every link of every page leads somewhere: of an empty house, and of a part of the demo that has something of
# everything.
RSpec.describe "Links", :web do
  # One page of each kind is enough, and a few more: what differs between them is data, not links.
  let(:most) { [Many.of(4), 2].max }

  def kind(path) = path.split("?").first.gsub(%r{(?<=/)(\d+|\h{8}-[\h-]{27})(?=/|\z|\.)}, ":id")

  # @return [Hash{String => Array(Integer, String)}] status of each page, and where its link stands
  def crawl(from)
    seen = {}
    kinds = Hash.new(0)
    waiting = [[from, "typed"]]
    while (path, on = waiting.shift)
      next if seen.key?(path) || (kinds[kind(path)] += 1) > most

      get(path)
      seen[path] = [last_response.status, on]
      if last_response.status == 200 && last_response.media_type == "text/html"
        waiting.concat(links.map { |link| [link, path] })
      end
    end
    seen
  end

  def links =
    page.css("a[href]").map { |link| link["href"].sub(/#.*/, "") }.select { |href| href.start_with?("/") }
      .grep_v(Windlass::SignIn::OWN).uniq

  def dead(pages) = pages.reject { |_, (status, _)| [200, 302, 303].include?(status) }

  it "are none of them dead in an empty house" do
    pages = crawl("/")
    expect(dead(pages)).to eq({})
    expect(pages.size).to be > 30
  end

  it "are none of them dead in the demo" do
    Windlass::Demo::Scenario.clear
    Windlass::Demo::Scenario.load(
      now: clock.now,
      people: Windlass::Demo::PEOPLE.min_by(Many::LARGE ? 5 : 3) { |person| person.fetch("weeks", 12) }
    )
    pages = crawl("/")
    expect(dead(pages)).to eq({})
    expect(pages.keys.map { |path| kind(path) }).to include("/planned/:id", "/sessions/:id", "/prescriptions/:id")
  ensure
    Windlass::Demo::Scenario.clear
  end
end
