# frozen_string_literal: true

require "web_helper"
require "json_schemer"
require "rack/mock"

RSpec.describe "What ships with the application", :web do
  root = File.expand_path("../..", __dir__)

  it "serves styles, scripts and fonts for good under an address with their digest, texts packed for whom that suits" do
    server = Rack::MockRequest.new(Windlass::Front.of(Windlass::Web))
    asked = ->(name, ways) { server.get(Windlass::Assets.path(name), "HTTP_ACCEPT_ENCODING" => ways) }
    for_good = "public, max-age=31536000, immutable, no-transform"
    %w[css/windlass.css js/deck.js].each do |name|
      packed, plain, unwanted = ["gzip, br", "", "gzip;q=0"].map { |ways| asked.call(name, ways) }
      [packed, plain].each { |one| expect([one.status, one.headers["cache-control"]]).to eq [200, for_good] }
      expect([packed.headers["content-encoding"], plain.headers.keys & ["content-encoding"]]).to eq ["gzip", []]
      expect([Zlib.gunzip(packed.body), unwanted.body]).to eq [plain.body.b, plain.body]
      expect(packed.body.bytesize).to be < plain.body.bytesize / 2
    end
    font = asked.call("vendor/fonts/barlow-condensed-latin-600-normal.woff2", "gzip")
    expect([font.status, font.headers["cache-control"]]).to eq [200, for_good]
    expect(font.headers).not_to include("content-encoding")
    expect(server.get("/assets/#{"0" * 12}/css/windlass.css", "HTTP_HOST" => "127.0.0.1").status).to eq 404
    expect(server.get(Windlass::Assets.path("../frame/web.rb")).status).to be >= 400
  end

  it "gives a page the scripts of what it acts with, and no others; each is there, under the name that its view says" do
    scripts = ->(path) { get(path) && page.css("script[type=module]").map { |one| File.basename(one["src"]) } }
    expect(scripts.call("/people")).to eq ["windlass.js"]
    expect(scripts.call("/")).to eq ["desk.js", "windlass.js"]
    # The map is drawn once the figures are right.
    expect(scripts.call("/bench?age=999")).to eq ["margin_map.js", "windlass.js"]

    said = Dir["#{root}/app/*/views/**/*.erb"].flat_map { |path| File.read(path).scan(/ x-data="([^"]*)"/).flatten }
    without =
      said.uniq.reject do |name|
        address, = Windlass::Assets.acting(%(<p x-data="#{name}">))
        file = Windlass::Assets::FILES[address&.delete_prefix("#{Windlass::Assets::PREFIX}/")]
        file && File.read(file).include?(%(Alpine.data("#{name}", #{name});))
      end
    expect([said.uniq.size, without]).to match [be > 15, []]
  end

  it "names no other machine in any style, script or view" do
    files =
      Dir[
        "#{root}/app/*/{styles,scripts}/**/*",
        "#{root}/app/*/views/**/*.erb",
        "#{root}/app/shared/public/vendor/*.css"
      ].select { |path| File.file?(path) }
    addresses =
      files.flat_map do |path|
        File.read(path).scan(%r{(?:src|href|url|import|fetch)\s*[=(]?\s*["'(]*(https?:)?//[^"')\s]+}).map { path }
      end

    expect(files.size).to be > 40
    expect(addresses).to be_empty
  end

  it "documents every rule in its own words, in the application as in the docs" do
    rules = Windlass::Progression::Rules::ALL + Windlass::Progression::Readiness::ALL
    get("/rules")

    expect(File.read("#{root}/docs/rulebook.md")).to eq Windlass::Presenters::Rulebook.new.markdown
    expect(rules.reject { |rule| text.include?(rule.id) && text.include?(rule.fires_when) }).to be_empty
  end

  it "publishes a schema for whatever is read, each valid itself" do
    schemas = Dir["#{root}/docs/formats/*.schema.json"]

    expect(schemas.size).to be >= 7
    expect(schemas.map { |path| JSONSchemer.valid_schema?(JSON.parse(File.read(path))) }).to all(be true)
  end

  it "links only to what is there" do
    pages = Dir["#{root}/*.md", "#{root}/docs/**/*.md"]
    broken =
      pages.flat_map do |page|
        File
          .read(page)
          .scan(/\]\(([^)#]+)\)/)
          .flatten
          .reject { |link| link.start_with?("http") || File.exist?(File.expand_path(link, File.dirname(page))) }
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

  it "shows in CONTRIBUTING a protocol as it really is, whole" do
    shown = File.read("#{root}/CONTRIBUTING.md")[/```ruby\n(# frozen_string_literal: true.*?WalkingHolds.*?)```/m, 1]

    expect(shown).to eq File.read("#{root}/lib/windlass/protocols/walking_holds.rb")
  end

  it "names no family elsewhere than in its file, the list, the demo and its specs" do
    ids = Windlass::Protocols::ALL.map(&:id)
    files =
      Dir["#{root}/{app,lib}/**/*.{rb,erb,js}"].reject do |path|
        path.include?("/vendor/") || path.include?("lib/windlass/protocols/")
      end
    named =
      files.flat_map do |path|
        ids.select { |id| File.read(path).match?(/["'`]#{id}["'`]/) }.map { |id| "#{File.basename(path)}: #{id}" }
      end

    expect(named).to eq []
  end

  # What a linter looks after elsewhere.
  it "has lines of at most 120 characters in scripts, styles and views" do
    lines =
      Dir["#{root}/app/*/{scripts,styles,views}/**/*.{js,css,erb}"].flat_map do |path|
        File.readlines(path, chomp: true).map { |line| "#{File.basename(path)}: #{line}" if line.length > 120 }
      end

    expect(lines.compact.grep_v(/url\("data:/)).to eq []
  end

  it "has views of at most 80 lines, page objects and papers of at most 120" do
    long =
      {"views/**/*.erb" => 80, "{presenters,papers}/**/*.rb" => 120}.flat_map do |files, most|
        Dir["#{root}/app/*/#{files}"].select { |path| File.foreach(path).count > most }
      end

    expect(long.map { |path| File.basename(path) }).to eq []
  end
end
