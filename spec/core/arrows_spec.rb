# frozen_string_literal: true

require "ripper"

# Which part of the code knows which: arrows go one way. It is read from the names of constants.
RSpec.describe "Arrows" do
  root = File.expand_path("../..", __dir__)
  camel = ->(path) { File.basename(path, ".rb").split("_").map(&:capitalize).join }
  outside = Dir["#{root}/app/*"].map(&camel).uniq - Dir["#{root}/lib/windlass/*"].map(&camel)

  # Records lie at the bottom. Pages ask queries that still lie with the actions: see docs/shape.md.
  known = {
    "records" => [],
    "situations" => %w[Records],
    "forms" => %w[Records],
    "actions" => %w[Records Situations Forms Imports],
    "archive" => %w[Records Imports],
    "command_line" => %w[Records Archive],
    "imports" => %w[Records Actions Archive Presenters],
    "presenters" => %w[Records Situations Forms Imports Actions],
    "papers" => %w[Records Presenters]
  }

  # Names of constants in a file, with its line: those that are defined there, and parts of longer names, are left out.
  named = ->(path) do
    tokens = Ripper.lex(File.read(path)).reject { |_, kind, _| kind == :on_sp }
    tokens.each_with_index.filter_map do |((line, _), kind, text), at|
      before = tokens[[at - 2, 0].max...at].map { |token| token[2] }
      inner = before.last == "::" && before.first != "Windlass"
      [text, line] if kind == :on_const && !inner && !%w[module class].include?(before.last)
    end
  end

  it "go from the application to the core, and never back" do
    found =
      Dir["#{root}/lib/**/*.rb"].flat_map do |path|
        named[path].select { |one| outside.include?(one.first) }
          .map { |name, line| "#{path.delete_prefix("#{root}/")}:#{line} knows #{name}" }
      end
    required =
      Dir["#{root}/lib/**/*.rb"].select { |path| File.read(path).match?(%r{require(_relative)? "[./]*app/}) }

    expect([found, required]).to eq [[], []]
  end

  it "go one way within the application" do
    rooms = Dir["#{root}/app/*/"].map { |path| File.basename(path) } - %w[public styles views]
    names = rooms.map(&camel)
    found =
      known.flat_map do |room, may|
        Dir["#{root}/app/{#{room}.rb,#{room}/**/*.rb}"].flat_map do |path|
          named[path].select { |one| (names - may - [camel[room]]).include?(one.first) }
            .map { |name, line| "#{path.delete_prefix("#{root}/")}:#{line} knows #{name}" }
        end
      end

    expect(found).to eq []
    expect(rooms - %w[routes]).to match_array known.keys
  end
end
