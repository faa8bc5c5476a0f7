# frozen_string_literal: true

require_relative "../../app/rooms"

# Which part of the code knows which. It is read from the names of constants, looked up as Ruby does.
RSpec.describe "Arrows" do
  root = File.expand_path("../..", __dir__)
  files = ->(loader) { loader.all_expected_cpaths.select { |path, _| path.end_with?(".rb") } }
  rooms = files[Windlass::ROOMS]
  core = files[Windlass::LOADER]
  homes = {**core, **rooms}.invert
  # `Windlass::Actions::LogDive` and all that it lies in.
  spaces = homes.keys.flat_map { |name|
    name.split("::").each_index.map { |at|
      name.split("::").first(at + 1).join("::")
    }
  }
    .to_set

  # @return [Array<Array(String, Integer)>] names such as `Records::Athlete` that stand in a file, with their lines
  names = ->(path) do
    File.foreach(path).with_index(1).flat_map do |line, number|
      next [] if line.match?(/\A\s*(#|module )/)

      line.sub(/\A\s*class \w+/, "").scan(/(?<![\w:@"])[A-Z]\w*(?:::[A-Z]\w*)*/).map { |name| [name, number] }
    end
  end

  # Ruby looks in the innermost namespace first.
  home = ->(name, own) do
    parts = name.delete_prefix("Windlass::").split("::")
    around = own.split("::").size.downto(1).map { |deep| own.split("::").first(deep).join("::") }
    space = around.find { |one| spaces.include?("#{one}::#{parts.first}") }
    space && parts.size.downto(1).filter_map { |size| homes[[space, *parts.first(size)].join("::")] }.first
  end

  known = Hash.new do |all, path|
    own = core[path] || rooms[path]
    found = names[path].map { |name, line| [home[name, own], line] }
    all[path] = found.reject { |to, _| to.nil? || to == path }
  end
  short = ->(path) { path.delete_prefix("#{root}/") }
  room = ->(path) { short[path].split("/")[1].delete_suffix(".rb") }
  # The folder in a room. What lies beside these folders has no kind.
  kind = ->(path) do
    folder = (room[path] == "records") ? "records" : short[path].split("/")[2]
    folder if %w[records routes forms actions queries presenters papers imports].include?(folder)
  end
  said = ->(path, to, line) { "#{short[path]}:#{line} knows #{short[to]}" }

  it "go from the application to the core, and never back" do
    wrong = core.keys.flat_map do |path|
      known[path].filter_map { |to, line| said[path, to, line] if rooms.key?(to) }
    end
    expect(wrong).to eq []
  end

  it "make no circle among the folders of the core but those that docs/shape.md gives a reason for" do
    folder = ->(path) { path.delete_prefix("#{root}/lib/windlass/").split("/").first.delete_suffix(".rb") }
    arrows = core.keys.flat_map { |path| known[path].map { |to, _| [folder[path], folder[to]] } }.uniq
    circles = arrows.select { |from, to| from < to && arrows.include?([to, from]) }

    expect(circles).to match_array File.read("#{root}/docs/shape.md").scan(/`(\w+)` and `(\w+)` \(/)
  end

  it "go from pages to queries, from actions to records, and never the other way" do
    below = {
      "records" => %w[records], "forms" => %w[forms records], "queries" => %w[queries records],
      "actions" => %w[actions queries forms records imports], "presenters" => %w[presenters queries forms records],
      "papers" => %w[papers presenters queries records]
    }
    wrong = rooms.keys.select { |path| below.key?(kind[path]) }.flat_map do |path|
      others = known[path].select { |to, _| kind[to] && !below[kind[path]].include?(kind[to]) }
      others.map { |to, line| said[path, to, line] }
    end
    expect(wrong).to eq []
  end

  it "go among rooms as docs/shape.md says, and each that is said is there" do
    rows = File.read("#{root}/docs/shape.md").scan(/^\| `(\w+)` \| ((?:`\w+`(?:, )?)+|–) \|/)
    seen = rooms.keys.group_by(&room).to_h do |name, paths|
      to = paths.flat_map { |path| known[path].filter_map { |other, _| room[other] if rooms.key?(other) } }
      [name, (to.uniq - [name, "records", "shared"]).sort]
    end

    expect(seen).to eq(rows.to_h { |name, to| [name, to.scan(/\w+/).sort] })
  end
end
