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
    posts =
      Windlass::Web.routes["POST"].map do |pattern, *|
        pattern.to_s.gsub(/:[a-z_]+/, ":uuid" => session.uuid, ":id" => "1", ":athlete_id" => "1")
      end

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
    %w[
      /nothing /athletes/999 /athletes/abc /sessions/xyz /control-pauses/1 /prescriptions/99999999999999999999
    ].each do |path|
      get(path)
      expect([path, last_response.status, text]).to match [path, 404, /There is nothing at this address/]
    end

    allow(Windlass::Presenters::Today).to receive(:new).and_raise("secret detail")
    get("/")
    expect([last_response.status, text]).to match [500, /What was saved before is safe/]
    expect(last_response.body).not_to include "secret detail"
  end

  it "lives with a row that somebody broke by hand: it is unreadable, counts for nothing, and every page stands" do
    athlete = make_athlete.tap { |one| make_pause(one) }
    session = run_set(prescribe(athlete))
    hurt = {"screenings" => "conditions", "sessions" => "symptoms", "measures" => "details"}
    hurt.each do |table, column|
      Windlass::Records::Record.connection.execute("UPDATE #{table} SET #{column} = '[{\"a\": 1}]'")
    end

    statuses =
      [
        "/",
        "/athletes",
        "/athletes/#{athlete.id}",
        "/athletes/#{athlete.id}/screening",
        "/athletes/#{athlete.id}/measures",
        "/sessions/#{session.uuid}",
        "/log"
      ].map { |path| get(path).status }
    expect(statuses).to all eq 200
    expect(get("/athletes/#{athlete.id}/screening").body).to include "can not be read"
    expect(athlete.reload.to_screen(on: clock.now.to_date).finding(:small, on: clock.now.to_date).state).to eq :blocked
  end

  describe Windlass::Listening do
    beyond = {"WINDLASS_BIND" => "0.0.0.0"}
    tls = {"WINDLASS_TLS_CERT" => "/c", "WINDLASS_TLS_KEY" => "/k"}

    it "listens on this machine, and beyond it only behind a proxy with a secret, or by TLS" do
      expect(described_class.address({})).to eq "tcp://127.0.0.1:9494"
      expect(described_class.address(beyond.merge("WINDLASS_PROXY_SECRET" => "s" * 32))).to eq "tcp://0.0.0.0:9494"
      expect(
        described_class.address(beyond.merge(tls))
      ).to eq "ssl://0.0.0.0:9494?key=/k&cert=/c"
      [
        beyond,
        beyond.merge("WINDLASS_PROXY_SECRET" => "short"),
        beyond.merge(tls.first(1).to_h),
        beyond.merge("WINDLASS_PASSWORD" => "p" * 12)
      ].each do |env|
        expect { described_class.address(env) }.to raise_error Windlass::Error,
          /Listening on 0.0.0.0 without TLS would send passwords in the open.*WINDLASS_PROXY_SECRET/
      end
    end

    it "asks each request for the proxy's secret, or for the password, whatever its host says" do
      inner = ->(_env) { [200, {}, ["in"]] }
      proxied = described_class::Doorkeeper.new(inner, {"WINDLASS_PROXY_SECRET" => "s" * 32})
      asked = described_class::Doorkeeper.new(inner, tls.merge("WINDLASS_PASSWORD" => "a long password"))
      basic = ->(word) { {"HTTP_AUTHORIZATION" => "Basic #{["coach:#{word}"].pack("m0")}"} }

      expect(
        [
          {},
          {"HTTP_HOST" => "localhost"},
          {"HTTP_X_WINDLASS_PROXY" => "s" * 31},
          {"HTTP_X_WINDLASS_PROXY" => "s" * 32}
        ].map { |env| proxied.call(env).first }
      ).to eq [403, 403, 403, 200]
      expect([{}, basic["wrong"], basic["a long password"]].map { |env| asked.call(env).first }).to eq [401, 401, 200]
      expect(described_class::Doorkeeper.new(inner, {}).call({}).first).to eq 200
    end
  end
end
