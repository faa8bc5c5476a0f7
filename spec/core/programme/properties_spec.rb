# frozen_string_literal: true

require_relative "../../../lib/windlass"

# Weeks that nobody thought of: whatever is asked, what always holds holds. The rules are looked at from outside, in
# what is written.
RSpec.describe "Any programme" do
  days = Windlass::Formats::ProgrammeReader::DAYS
  families = %w[
    co2-table o2-table counted-recovery loaded-holds single-hold small-holds deep-rounds bellows quiet-breathing
    hiss-ladder ratio
  ]
  strenuous = %w[o2-table single-hold loaded-holds maximal-test]
  over = %w[deep-rounds bellows]
  daily = %w[co2-table o2-table counted-recovery loaded-holds single-hold]
  rank = ->(protocol) do
    if protocol == "maximal-test"
      0
    else
      {"small-holds" => 1, "quiet-breathing" => 1, "ratio" => 1, "hiss-ladder" => 2}.fetch(protocol, 3)
    end
  end

  question =
    lambda do |seed, chance = Random.new(seed)|
      from = Date.new(2026, 3, 2) + chance.rand(7)
      slots =
        days
          .product([["07:00", 40], ["12:30", 15], ["18:00", 60]])
          .select { chance.rand < 0.45 }
          .map do |day, (at, minutes)|
            {
              "day" => day,
              "at" => at,
              "minutes" => minutes,
              "place" => [nil, "mat", "chair", "chair", "ground"].sample(random: chance)
            }
          end
      picked = families.sample(2 + chance.rand(5), random: chance)
      {
        "from" => from.iso8601,
        "weeks" => 6,
        "slots" => slots,
        "trainings" => picked.map { |protocol| {"protocol" => protocol, "times_a_week" => 1 + chance.rand(5)} },
        "events" =>
          Array
            .new(chance.rand(3)) do
              {
                "date" => (from + chance.rand(42)).iso8601,
                "kind" => %w[competition swell concert test].sample(random: chance)
              }
            end
            .uniq { |event| event["date"] },
        "water" => Array.new(chance.rand(4)) { {"date" => (from + chance.rand(42)).iso8601, "at" => "09:00"} },
        "absences" =>
          Array.new(chance.rand(2)) do
            (from + chance.rand(40)).then { |day| {"from" => day.iso8601, "to" => (day + 3).iso8601} }
          end,
        "easy_every" => [nil, 3, 4, 5].sample(random: chance),
        "measures" => {
          "control_pause_s" => 25,
          "maximal_hold_s" => 110
        },
        "screen" => {
          "answered_on" => (from - 30).iso8601,
          "age" => 30
        },
        "history" =>
          Array.new(chance.rand(12)) do |number|
            {
              "date" => (from - 1 - number * 2).iso8601,
              "protocol" => "counted-recovery",
              "rung" => 0,
              "effort" => 4,
              "rounds" => [{"target_s" => 40, "held_s" => 40, "first_breath" => "smooth"}]
            }
          end
      }
    end
  plan = ->(asked) { JSON.parse(JSON.generate(Windlass::Cli::Programme.call(JSON.generate(asked), {}))) }
  begins = ->(session) { Time.iso8601("#{session["date"]}T#{session["begins"]}:00Z") }
  ends = ->(session) { begins[session] + session["seconds"] }

  Array
    .new(24) { |seed| seed }
    .each do |seed|
      it "keeps its walls (#{seed})" do
        asked = question[seed]
        answer = plan[asked]
        sessions = answer["sessions"].sort_by { |one| begins[one] }
        week_of = ->(date) { (Date.iso8601(date) - Date.iso8601(asked["from"])).to_i / 7 }
        times = asked["trainings"].to_h { |one| [one["protocol"], one["times_a_week"]] }
        held =
          asked["history"]
            .group_by { |one| week_of[one["date"]] }
            .transform_values { |week| week.sum { |one| one["rounds"].sum { |round| round["held_s"] } } }

        sessions
          .group_by { |one| one.values_at("date", "at") }
          .each do |(date, at), beside|
            slot = asked["slots"].find { |one| one["day"] == days[Date.iso8601(date).cwday - 1] && one["at"] == at }
            expect(beside.sum { |one| one["sets_through_the_day"] ? 0 : one["seconds"] }).to be <= slot["minutes"] * 60
            expect(beside.map { |one| rank[one["protocol"]] }).to eq(beside.map { |one| rank[one["protocol"]] }.sort)
            expect(beside.size).to eq 1 if beside.any? { |one| over.include?(one["protocol"]) }
            expect(asked["absences"].none? { |away| date.between?(away["from"], away["to"]) }).to be true
            places = Windlass::Protocols::PLACES.keys.map(&:to_s)
            beside.each do |one|
              unless one["protocol"] == "maximal-test"
                expect(
                  [one["protocol"], Windlass::Protocols.find(one["protocol"]).places.map(&:to_s)]
                ).to satisfy { |_, allowed|
                  slot["place"].nil? || !places.include?(slot["place"]) || allowed.include?(slot["place"])
                }
              end
            end
          end

        hard = sessions.select { |one| strenuous.include?(one["protocol"]) }
        # Short loaded sets come with the workout: their own kind does not keep them away.
        hard.each_cons(2) do |one, other|
          unless [one, other].all? { |session| session["protocol"] == "loaded-holds" }
            expect(begins[other] - ends[one]).to(be >= 48 * 3600)
          end
        end
        sessions
          .group_by { |one| one["date"] }
          .each_value do |day|
            expect(
              [
                day.count { |one| daily.include?(one["protocol"]) },
                day.count { |one| over.include?(one["protocol"]) },
                day.map { |one| one["protocol"] }.tally.values.max
              ]
            ).to all be <= 1
          end
        tests = sessions.select { |one| one["protocol"] == "maximal-test" }.map { |one| Date.iso8601(one["date"]) }
        tests.each_cons(2) { |one, other| expect(other - one).to be >= 7 }
        co2 = sessions.select { |one| one["protocol"] == "co2-table" }.map { |one| Date.iso8601(one["date"]) }
        co2.each_cons(3) { |one, _, third| expect(third - one).to be > 2 }
        waters =
          asked["water"] +
          asked["events"]
            .select { |event| %w[competition swell].include?(event["kind"]) }
            .map { |event| event.merge("at" => "00:00") }
        sessions
          .select { |one| over.include?(one["protocol"]) }
          .each do |one|
            waters.each do |water|
              expect(
                [one["date"] == water["date"], Time.iso8601("#{water["date"]}T#{water["at"]}:00Z") - ends[one]]
              ).to satisfy { |same_day, ahead| !same_day && !ahead.between?(0, 12 * 3600 - 1) }
            end
          end

        answer["weeks"].each_with_index do |week, number|
          own = sessions.select { |one| week_of[one["date"]] == number }
          easy = asked["easy_every"] && (number + 1) % asked["easy_every"] == 0
          expect([week["easy"], week["hold_seconds"].round(2)]).to eq [
            easy ? true : false,
            own.sum { |one| one["hold_seconds"] }.round(2)
          ]
          known = (1..4).filter_map { |back| held[number - back] }
          expect(week["hold_seconds"]).to be <= known.sum * 1.3 / known.size + 1e-6 if known.size >= 2
          expect(week["limit_s"]).to((known.size >= 2) ? be_within(0.01).of(known.sum * 1.3 / known.size) : be_nil)
          held[number] = week["hold_seconds"] if own.any?
          expect(own.select { |one| strenuous.include?(one["protocol"]) }).to be_empty if easy
          times.each do |protocol, wanted|
            count = own.count { |one| one["protocol"] == protocol }
            wanted = (wanted * 2/3r).ceil if easy
            expect(count).to be <= wanted
            missing = answer["unplaced"].select { |one| one["week"] == week["from"] && one["protocol"] == protocol }
            expect([missing.sum { |one| one["missing"] }, missing.all? { |one| one["reasons"].any? }]).to eq [
              wanted - count,
              true
            ]
          end
        end

        asked["events"]
          .reject { |event| event["kind"] == "test" }
          .each do |event|
            midnight = Time.iso8601("#{event["date"]}T00:00:00Z")
            near = sessions.select { |one| (1..7).cover?(Date.iso8601(event["date"]) - Date.iso8601(one["date"])) }
            near
              .group_by { |one| one["protocol"] }
              .each { |protocol, own| expect(own.size).to be <= (times.fetch(protocol, 0) / 2.0).ceil }
            expect(
              hard.select do |one|
                (midnight - ends[one]).between?(1, 72 * 3600 - 1) || (begins[one] - midnight).between?(0, 72 * 3600 - 1)
              end
            ).to be_empty
            eve =
              sessions
                .select { |one| (0..1).cover?(Date.iso8601(event["date"]) - Date.iso8601(one["date"])) }
                .map { |one| one["protocol"] }
                .uniq
            expect(eve - ["quiet-breathing", *("hiss-ladder" if event["kind"] == "concert")]).to be_empty
          end
        expect(plan[asked]).to eq answer
      end
    end

  # Of a few slots and trainings every way is tried.
  it "places as many as there is room for" do
    short =
      Array.new(40) do |seed|
        chance = Random.new(seed)
        slots =
          days
            .product([["07:00", 25], ["18:00", 40]])
            .sample(3 + chance.rand(2), random: chance)
            .sort_by { |day, (at, _)| [days.index(day), at] }
        trainings =
          {
            "co2-table" => 885, "o2-table" => 1125, "loaded-holds" => 296, "deep-rounds" => 558,
            "quiet-breathing" => 300
          }.to_a.sample(3, random: chance).map { |protocol, _| [protocol, 1 + chance.rand(2)] }
        asked = {
          "from" => "2026-03-02",
          "weeks" => 1,
          "slots" => slots.map { |day, (at, minutes)| {"day" => day, "at" => at, "minutes" => minutes} },
          "trainings" => trainings.map { |protocol, wanted| {"protocol" => protocol, "times_a_week" => wanted} },
          "measures" => {
            "control_pause_s" => 25,
            "maximal_hold_s" => 120
          },
          "screen" => {
            "answered_on" => "2026-02-01",
            "age" => 30
          }
        }
        found = plan[asked]["sessions"]
        length = found.to_h { |one| [one["protocol"], one["seconds"]] }
        places = slots.map { |day, (at, minutes)| [Date.new(2026, 3, 2) + days.index(day), at, minutes] }
        fits =
          lambda do |chosen|
            timed =
              chosen
                .group_by { |_, (date, at, _)| [date, at] }
                .flat_map do |(date, at), beside|
                  clock = Time.iso8601("#{date}T#{at}:00Z")
                  beside
                    .sort_by { |protocol, _| [rank[protocol], protocol] }
                    .map { |protocol, place| [protocol, place, clock, clock += length.fetch(protocol, 1e6)] }
                end
            timed
              .group_by { |_, place, _, _| place }
              .all? do |place, beside|
                beside.sum { |_, _, from, to| to - from } <= place[2] * 60 &&
                  (beside.size == 1 || beside.none? { |protocol, *| over.include?(protocol) })
              end &&
              timed
                .group_by { |_, place, _, _| place[0] }
                .values
                .all? { |day| day.count { |protocol, *| daily.include?(protocol) } <= 1 } &&
              timed
                .select { |protocol, *| strenuous.include?(protocol) }
                .sort_by { |one| one[2] }
                .each_cons(2)
                .all? { |one, other| other[2] - one[3] >= 48 * 3600 }
          end
        subsets =
          trainings.map do |protocol, wanted|
            (0..wanted).flat_map do |size|
              places
                .combination(size)
                .select { |some| some.uniq(&:first).size == size }
                .map { |some| some.map { |place| [protocol, place] } }
            end
          end
        most =
          subsets[0].product(*subsets[1..]).map(&:flatten).size &&
          subsets[0].product(*subsets[1..]).filter_map { |some| some.sum(&:size) if fits[some.flatten(1)] }.max
        found.size - most
      end
    expect(short.tally).to eq(0 => 40)
  end
end
