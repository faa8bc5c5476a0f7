# frozen_string_literal: true

require "ripper"
require_relative "../../app/rooms"

# Which part of the code knows which. It is read from the names of constants, as Ruby would look them up.
RSpec.describe "Arrows" do
  root = File.expand_path("../..", __dir__)
  rooms = Windlass::ROOMS.all_expected_cpaths.select { |path, _| path.end_with?(".rb") }
  core = Windlass::LOADER.all_expected_cpaths.select { |path, _| path.end_with?(".rb") }
  homes = {**core.invert, **rooms.invert}
  spoken_of = %w[Windlass].concat(homes.keys.flat_map { |name| name.split("::").inject([]) { |all, one| [*all, [*all.last, one].join("::")] } }).uniq

  # @return [Array<Array(Array<String>, Integer)>] names such as `Records::Athlete`, part by part, with their lines; not
  #   those that are defined there
  names = ->(path) do
    source = File.read(path)
    lines = source.lines.each_with_index.reject { |line, _| line.match?(/\A\s*(#|module )/) }
    lines.flat_map do |line, at|
      line.sub(/\A\s*class \w+/, "").scan(/(?<![\w:@"])(?:::)?([A-Z]\w*(?:::[A-Z]\w*)*)/).map { |(name)| [name.split("::"), at + 1] }
    end
  end

  # Ruby looks in the innermost namespace first.
  found = ->(parts, own) do
    parts = parts.drop(1) if parts.first == "Windlass" && parts.size > 1
    inside = own.split("::").size.downto(1).map { |deep| own.split("::").first(deep).join("::") }
    space = inside.find { |name| spoken_of.include?("#{name}::#{parts.first}") } or next
    parts.size.downto(1).map { |size| [space, *parts.first(size)].join("::") }.find { |name| homes.key?(name) }
  end

  # @return [Array<Array(String, String, Integer)>] files that a file knows, with the line
  known = Hash.new do |all, path|
    own = core[path] || rooms[path]
    all[path] = names[path].filter_map { |parts, line| (name = found[parts, own]) && [homes[name], line] }.reject { |to, _| to == path }
  end
  short = ->(path) { path.delete_prefix("#{root}/") }
  room = ->(path) { short[path].split("/")[1].delete_suffix(".rb") }
  kinds = %w[routes forms actions queries presenters papers imports]
  # The folder in a room. What lies beside these folders has no kind.
  kind = ->(path) { (room[path] == "records") ? "records" : (kinds & short[path].split("/")[2..-2].first(1)).first }

  it "go from the application to the core, and never back" do
    expect(core.keys.flat_map { |path| known[path].filter_map { |to, line| "#{short[path]}:#{line}" if rooms.key?(to) } }).to eq []
  end

  it "make no circle among the folders of the core but those that docs/shape.md gives a reason for" do
    folder = ->(path) { path.delete_prefix("#{root}/lib/windlass/").split("/").first.delete_suffix(".rb") }
    arrows = core.keys.flat_map { |path| known[path].map { |to, _| [folder[path], folder[to]] } }.uniq.reject { |from, to| from == to }
    circles = arrows.select { |from, to| from < to && arrows.include?([to, from]) }

    expect(circles).to match_array File.read("#{root}/docs/shape.md").scan(/`(\w+)` and `(\w+)` \(/)
  end

  it "go from pages to queries, from actions to records, and never the other way" do
    below = {
      "records" => %w[records], "forms" => %w[forms records], "queries" => %w[queries records],
      "actions" => %w[actions queries forms records imports], "presenters" => %w[presenters queries forms records],
      "papers" => %w[papers presenters queries records]
    }
    wrong = rooms.keys.flat_map do |path|
      may = below[kind[path]] or next []
      known[path].filter_map { |to, line| "#{short[path]}:#{line} knows #{short[to]}" if rooms.key?(to) && kind[to] && !may.include?(kind[to]) }
    end
    expect(wrong).to eq []
  end

  it "go among rooms as docs/shape.md says, and each that is said is there" do
    said = File.read("#{root}/docs/shape.md").scan(/^\| `(\w+)` \| ((?:`\w+`(?:, )?)+|–) \|/).to_h { |from, to| [from, to.scan(/\w+/)] }
    seen = rooms.keys.group_by(&room).transform_values do |paths|
      paths.flat_map { |path| known[path].filter_map { |to, _| room[to] if rooms.key?(to) } }.uniq - [room[paths.first], "records", "shared"]
    end

    expect(seen.transform_values(&:sort)).to eq said.transform_values(&:sort)
  end
end
