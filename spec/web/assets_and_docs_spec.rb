# frozen_string_literal: true

require "web_helper"
require "rack/builder"
require "rack/mock"

RSpec.describe "What ships with the application", :web do
  root = File.expand_path("../..", __dir__)

  it "serves styles, scripts and fonts for good, packed, under an address with their digest" do
    server = Rack::MockRequest.new(Rack::Builder.parse_file(File.join(root, "config.ru")))
    css = server.get(Windlass::Assets.path("css/paper.css"), "HTTP_ACCEPT_ENCODING" => "gzip")
    font = server.get(Windlass::Assets.path("vendor/fonts/barlow-condensed-latin-600-normal.woff2"))

    expect([css.status, font.status]).to eq [200, 200]
    expect(css.headers).to include("cache-control" => "public, max-age=31536000, immutable", "content-encoding" => "gzip")
    expect(server.get("/assets/#{"0" * 12}/css/paper.css", "HTTP_HOST" => "127.0.0.1").status).to eq 404
    expect(server.get(Windlass::Assets.path("../web.rb")).status).to be >= 400
  end

  it "names no other machine in any style, script or view" do
    files = Dir["#{root}/app/public/{css,js}/**/*", "#{root}/app/views/**/*.erb", "#{root}/app/public/vendor/*.css"].select { |path| File.file?(path) }
    addresses = files.flat_map { |path| File.read(path).scan(%r{(?:src|href|url|import|fetch)\s*[=(]?\s*["'(]*(https?:)?//[^"')\s]+}).map { path } }

    expect(files.size).to be > 40
    expect(addresses).to be_empty
  end

  it "documents every rule in its own words" do
    table = File.read("#{root}/docs/judging.md").scan(/^\| `([a-z.]+)` \| (.*) \|$/).to_h

    expect(table).to eq(Windlass::Progression::Rules::ALL.to_h { |rule| [rule.id, rule.fires_when] })
  end

  it "links only to what is there" do
    pages = Dir["#{root}/*.md", "#{root}/docs/**/*.md"]
    broken = pages.flat_map do |page|
      File.read(page).scan(/\]\(([^)#]+)\)/).flatten.reject { |link| link.start_with?("http") || File.exist?(File.expand_path(link, File.dirname(page))) }
        .map { |link| "#{File.basename(page)}: #{link}" }
    end

    expect(pages.size).to be > 12
    expect(broken).to be_empty
  end

  it "shows in CONTRIBUTING a rule as it really is" do
    shown = File.read("#{root}/CONTRIBUTING.md")[/```ruby\n(EaseEffort.*?)```/m, 1].gsub(/\s+/, " ").strip
    real = File.read("#{root}/lib/windlass/progression/rules/ease_effort.rb").gsub(/\s+/, " ")

    expect(real).to include shown
  end
end
