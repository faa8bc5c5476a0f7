# frozen_string_literal: true

require "web_helper"

RSpec.describe "Security", :web do
  it "sends a policy that runs no inline script, and the headers that go with it" do
    get("/")

    policy = last_response.headers["content-security-policy"]
    expect(policy).to include "default-src 'none'", "script-src 'self';", "style-src 'self';", "frame-ancestors 'none'"
    expect(policy).not_to match(/unsafe|\*/)
    expect(last_response.headers).to include("x-content-type-options" => "nosniff", "referrer-policy" => "same-origin")
    expect(last_response.headers["set-cookie"]).to match(/httponly/i).and match(/samesite=lax/i)
  end

  it "refuses every form and every htmx or deck request without its token, and changes nothing" do
    session = run_set(prescribe(make_athlete.tap { |one| make_pause(one) }))
    posts = app.routes["POST"].map { |pattern, *| pattern.to_s.gsub(/:[a-z_]+/, ":uuid" => session.uuid, ":id" => "1", ":athlete_id" => "1") }

    expect(posts.size).to be >= 9
    posts.each do |path|
      post(path, "decided" => "accept", "effort" => "10")
      expect([path, last_response.status]).to eq [path, 403]
    end
    expect(session.reload.effort).to eq 3
  end

  it "answers only to its own names" do
    header("Host", "evil.example")
    get("/")
    expect(last_response.status).to eq 403
  end

  it "has pages for what is not there and for what failed, without giving anything away" do
    %w[/nothing /athletes/999 /athletes/abc /sessions/xyz /control-pauses/1 /prescriptions/99999999999999999999].each do |path|
      get(path)
      expect([path, last_response.status, text]).to match [path, 404, /There is nothing at this address/]
    end

    allow(Windlass::Presenters::Today).to receive(:new).and_raise("secret detail")
    get("/")
    expect([last_response.status, last_response.body]).to match [500, /What was saved before is safe/]
    expect(last_response.body).not_to include "secret detail"
  end
end
