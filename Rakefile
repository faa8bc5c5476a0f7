# frozen_string_literal: true

require_relative "app/rooms"

# Connects to the database that WINDLASS_DB names, or the usual one.
task(:connect) { Windlass::Database.connect(Windlass::Database.default_path) }

namespace :db do
  desc "Bring the tables up to date"
  task(migrate: :connect) { Windlass::Database.migrate }
end

namespace :docs do
  desc "Write docs/rulebook.md from the rules themselves"
  task(:rulebook) do
    File.write("docs/rulebook.md", Windlass::Presenters::Rulebook.new.markdown)
  end
end

namespace :docs do
  desc "Write docs/rights.md from the rights and the routes"
  task(rights: "db:migrate") do
    Windlass::ROOMS.eager_load
    File.write("docs/rights.md", Windlass::Presenters::RightsTable.new.markdown)
  end

  desc "Write docs/formats/archive.schema.json from the tables themselves"
  task(archive: "db:migrate") do
    require "json"
    File.write("docs/formats/archive.schema.json", "#{JSON.pretty_generate(Windlass::Archive::Schema.to_h)}\n")
  end
end

# Nothing is emptied that somebody serves meanwhile: their pages would be those of an empty house. A server that was
# stopped just now has a worker that ends a moment later.
def alone(tries: 4, &emptying)
  return yield unless Windlass::Database.file?

  Windlass::Occupied.alone(Windlass::Database.default_path, &emptying)
rescue Windlass::Error => error
  abort error.message if tries == 1

  sleep 1
  alone(tries: tries - 1, &emptying)
end

namespace :demo do
  desc "Load Kestrel Quay into an empty database; keep what is there"
  task(load: "db:migrate") do
    require_relative "db/demo/scenario"
    require_relative "db/demo/people"
    if Windlass::Records::Athlete.any?
      house = Windlass::Records::Account.first
      Windlass::Demo::People.load(house, now: Time.now) if Windlass::Records::Person.none?
      puts "The data is kept. `bin/demo --reset` loads the demo anew."
    else
      puts "Kestrel Quay: #{Windlass::Demo::Scenario.load(now: Time.now)} athletes."
      Windlass::Demo::People.load(Windlass::Records::Account.first, now: Time.now)
    end
  end

  desc "Leave the demo behind: nothing of it is kept"
  task(clear: "db:migrate") do
    require_relative "db/demo/scenario"
    require_relative "db/demo/people"
    alone do
      Windlass::Demo::People.clear
      Windlass::Demo::Scenario.clear
    end
    puts "Nobody is there."
  end

  desc "Empty the tables and load Kestrel Quay"
  task(reset: "db:migrate") do
    require_relative "db/demo/scenario"
    require_relative "db/demo/people"
    alone do
      Windlass::Demo::People.clear
      Windlass::Demo::Scenario.clear
      puts "Kestrel Quay: #{Windlass::Demo::Scenario.load(now: Time.now)} athletes."
      Windlass::Demo::People.load(Windlass::Records::Account.first, now: Time.now)
    end
  end
end

namespace :people do
  desc "Print the code that sets a new house up; nothing where it is set up"
  task(code: "db:migrate") do
    next if Windlass::Records::Person.any?

    puts "This house is nobody's yet. Open it and set it up with the code #{Windlass::SetupCode.now}."
  end
end
