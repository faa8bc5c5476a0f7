# frozen_string_literal: true

require "web_helper"

# An athlete's own phone: bound by a press, over the whole front of the house, with nothing but its cookie.
RSpec.describe "A phone of one's own", :web, :both_databases do
  let(:athlete) { make_athlete }
  let(:coach) { {kind: "coach", of_all: true} }

  # The coach makes the link; what follows is done by a phone that has no other cookie.
  def made_link
    submit("/athletes/#{athlete.id}/devices", "/athletes/#{athlete.id}/devices")
    get("/athletes/#{athlete.id}/devices")
    expect(page.at(".qr svg")).not_to be_nil
    page.at(".secret-link").text[%r{/devices/\S+}]
  end

  def phone = @phone ||= Rack::Test::Session.new(Rack::MockSession.new(Windlass::Front.of(Windlass::Web)))

  def on(one, path, **fields)
    one.header("Host", "127.0.0.1")
    one.get(path)
    token = Nokogiri.HTML5(one.last_response.body).at("[name=authenticity_token]")["value"]
    one.post(path, fields.merge(authenticity_token: token))
    one.last_response
  end

  def read(one, path)
    one.header("Host", "127.0.0.1")
    one.get(path)
    one.last_response
  end

  it "is bound by one press on a link, once; it opens its athlete's page, and nothing else" do
    make_athlete(name: "Tobias Unseen")
    link = made_link
    2.times { expect(read(phone, link).body).to include("Is this Ines Aldaya's phone?") }
    expect(on(phone, link).location).to end_with "/mine"
    expect(read(phone, "/mine").body).to include("Ines Aldaya").and include("This phone is bound")
    expect(read(phone, "/mine").body).not_to include "This phone is bound"
    statuses = ["/athletes", "/athletes/#{athlete.id}", "/log", "/people", "/athletes/#{athlete.id}/devices"]
    expect(statuses.map { |path| read(phone, path).status }.uniq).to eq [404]
    @phone = nil
    expect(read(phone, link).status).to eq 404
  end

  it "takes its binding along into the installed application by a code, once, within a quarter of an hour" do
    link = made_link
    on(phone, link)
    code = Nokogiri.HTML5(read(phone, "/mine").body).at(".figure").text
    installed, late = Array.new(2) { Rack::Test::Session.new(Rack::MockSession.new(Windlass::Front.of(Windlass::Web))) }
    wrong = on(late, "/devices/code", code: "AAAA-AAAA")
    expect([wrong.status, wrong.body]).to match [422, include("No phone has this code", %(value="AAAA-AAAA"))]
    expect(on(installed, "/devices/code", code: code.downcase.delete("-")).location).to end_with "/mine"
    expect(read(installed, "/mine").body).to include "Ines Aldaya"
    expect(on(late, "/devices/code", code: code).status).to eq 422
    expect(Windlass::Records::Person.where(login: nil).count).to eq 1

    second = made_link
    @phone = nil
    on(phone, second)
    code = Nokogiri.HTML5(read(phone, "/mine").body).at(".figure").text
    clock.now += 901
    expect(on(late, "/devices/code", code: code).status).to eq 422
  end

  it "ends with one press, of the coach or of whoever holds it; what was forged or is of another house opens nothing" do
    on(phone, made_link)
    device = Windlass::Records::Device.sole
    forged = ["1", "#{device.id}.", "#{device.id}.#{"0" * 64}", "#{device.id + 1}.#{device.key[/\w+\z/]}", "x", "-1.a"]
    statuses = forged.map do |key|
      other = Rack::Test::Session.new(Rack::MockSession.new(Windlass::Front.of(Windlass::Web)))
      other.set_cookie("windlass_phone=#{key}")
      read(other, "/mine").status
    end
    expect(statuses.uniq).to eq [303]
    submit("/athletes/#{athlete.id}/devices", "/athletes/#{athlete.id}/devices/#{device.id}/revoke")
    expect(read(phone, "/mine").status).to eq 303

    device.reload.update!(revoked_at: nil)
    token = Nokogiri.HTML5(read(phone, "/mine").body).at("form[action='/mine/devices/end'] input")["value"]
    phone.post("/mine/devices/end", authenticity_token: token)
    expect([read(phone, "/mine").status, device.reload.revoked_at]).to eq [303, clock.now]
    words = Windlass::Records::TraceEntry.order(:id).map { |entry| [Windlass::Trace.words(entry), entry.athlete_id] }
    expect(words).to include(["bound a phone", athlete.id], ["revoked a phone", athlete.id])
  end

  it "may be shared by siblings: it asks who holds it, shows one of them, and asks again after half an hour" do
    sister = made_link
    athlete
    brother = make_athlete(name: "Odd Aldaya")
    submit("/athletes/#{brother.id}/devices", "/athletes/#{brother.id}/devices")
    get("/athletes/#{brother.id}/devices")
    his = page.at(".secret-link").text[%r{/devices/\S+}]
    [sister, his].each { |link| on(phone, link) }
    named = -> { read(phone, "/mine").body.scan(/Ines Aldaya|Odd Aldaya/).uniq }
    expect(named.call).to eq ["Odd Aldaya"]

    choose = ->(device) { on(phone, "/devices/who", device: device.id) }
    ines, odd = Windlass::Records::Device.order(:id).to_a
    expect([choose[ines].location, named.call]).to match [/mine\z/, ["Ines Aldaya"]]
    allow(Time).to receive(:now).and_return(Time.now + 1801)
    names = read(phone, "/devices/who").body.scan(/(?:Ines|Odd) Aldaya/)
    expect([read(phone, "/mine").location, names]).to match [/who\z/, ["Odd Aldaya", "Ines Aldaya"]]
    stranger = Windlass::Records::Device.create!(odd.attributes.except("id").merge("link_digest" => "x"))
    expect(choose[stranger].status).to eq 404

    choose[odd]
    token = Nokogiri.HTML5(read(phone, "/mine").body).at("form[action='/mine/devices/end'] input")["value"]
    phone.post("/mine/devices/end", authenticity_token: token)
    expect([odd.reload.revoked_at, ines.reload.revoked_at, named.call]).to eq [clock.now, nil, ["Ines Aldaya"]]
  end

  it "goes with whoever is erased: their name is nowhere among the people, and the phone opens nothing" do
    on(phone, made_link)
    athlete.update!(left_on: clock.now.to_date)
    Windlass::Actions::EraseAthlete.call(athlete, by: WebHelpers.seated, now: clock.now)
    expect([read(phone, "/mine").status, Windlass::Records::Device.count]).to eq [303, 0]
    expect(Windlass::Records::Person.pluck(:name)).not_to include "Ines Aldaya"
  end

  it "is nobody else's, where the same person coaches, too: then the phone has a person of its own" do
    athlete
    both = WebHelpers.keeper
    both.roles.create!(kind: "athlete", athlete: athlete, from_on: Date.new(2020, 1, 1))
    on(phone, made_link)
    expect(Windlass::Records::Device.sole.person_id).not_to eq both.id
    expect(read(phone, "/athletes").status).to eq 404
  end
end
