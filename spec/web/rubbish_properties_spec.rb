# frozen_string_literal: true

require "web_helper"

# Whatever is sent to whatever address, tried on many requests that chance makes from a seed: never a failure of the server.
RSpec.describe "Rubbish", :web do
  rubbish = ["", "-1", "0", "1e999", "9" * 40, "abc", "<script>", "\u0000", "\xFF", "1:30", "2026-02-30", ["a"], {"a" => "b"}, nil, "true", "small-holds", "💨" * 300]
  names = %w[answers answers[] answers[heart] chest watcher limits limits[hold_s] limits[locks] dose dose[hold_s] dose[pattern] dose[rounds] breaks breaks[0]
    breaks[0][round] name note protocol athlete_id seconds beats uuid taken_on first_breath effort symptoms symptoms[] rounds rounds[1][held_s] verdict because own
    place discipline born_on sex mass_kg disciplines[] guardian_consent_on clinician families families[] expires_on cleared_on file]

  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }

  let(:addresses) do
    held = {uuid: SecureRandom.uuid, kind: "maximal_hold", value: 120, taken_at: clock.now - 20 * 86_400, details: {first_breath: "smooth", eventful: "no"}}
    athlete.measures.create!(account_id: account.id, **held)
    table, nostril, holds = %w[co2-table alternate-nostril small-holds].map { |id| Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now) }
    session = 2.times.map { run_set(holds) }.last
    move = Windlass::Actions::Decide.call(session, Windlass::Actions::JudgeDay.call(session), decided: :repeat, because: "x", now: clock.now)
    own = account.own_protocols.create!(name: "Mine", protocol: "co2-table", dose: table.dose)
    pages = ["/", "/athletes", "/protocols", "/protocols/co2-table", "/protocols/ratio", "/protocols/x", "/bench", "/rules", "/measures/x", "/athletes/x", "/athletes/#{athlete.id}",
      "/own-protocols/#{own.id}", "/own-protocols/x.yml", "/athletes/#{athlete.id}/measures/x/new", "/prescriptions/#{nostril.id}", "/sessions/#{session.uuid}"]
    deeds = ["/athletes", "/own-protocols", "/own-protocols/import", "/protocols/deep-rounds", "/moves/#{move.id}/keep",
      *%w[day prescriptions screening clearances measures/maximal_hold measures/breathing_movement measures/resting_numbers].map { |deed| "/athletes/#{athlete.id}/#{deed}" },
      *[table, nostril].flat_map { |one| ["/prescriptions/#{one.id}/limits", "/prescriptions/#{one.id}/sessions"] },
      *%w[copy prescriptions].map { |deed| "/own-protocols/#{own.id}/#{deed}" }, *%w[rating decision].map { |deed| "/sessions/#{session.uuid}/#{deed}" }]
    pages.map { |path| [:get, path] } + deeds.map { |path| [:post, path] }
  end

  it "is answered, refused or not found, and the page still works after it" do
    get("/athletes/new")
    token = page.at("meta[name=csrf-token]")["content"]
    addresses.each_with_index do |(verb, path), index|
      8.times do |seed|
        random = Random.new(index * 100 + seed)
        params = names.sample(random.rand(1..5), random: random).to_h { |name| [name, rubbish.sample(random: random)] }
        public_send(verb, path, params.merge("authenticity_token" => token))

        expect(last_response.status).to be < 500, "#{verb} #{path} of #{params}: #{last_response.status}"
      end
    end
    get("/")
    expect([last_response.status, text]).to match [200, /Today/]
  end
end
