# frozen_string_literal: true

require "web_helper"

# Through everything that stands in front of the pages.
RSpec.describe "Signing in", :web, :both_databases do
  front = Windlass::Front.of(Windlass::Web)
  password = "barge lantern tide mole"

  define_method(:app) { front }

  before { Windlass::Guard::STORE.sweep }

  def house = Windlass::Records::Account.first

  def someone(login, password = nil, *roles)
    person = Windlass::Records::Person.create!(
      account_id: house.id, uuid: SecureRandom.uuid, name: login.capitalize, login: login, made_at: clock.now
    )
    Windlass::Actions::SetPassword.call(person, password) if password
    roles.each { |role| person.roles.create!(from_on: Date.new(2020, 1, 1), **role) }
    person
  end

  def form_token = page.at("[name=authenticity_token]")["value"]

  def sign_in(login, password, **more)
    get("/sign-in")
    post("/sign-in", {login: login, password: password, authenticity_token: form_token, **more})
  end

  def lands = [last_response.status, last_response["location"].to_s.sub("http://127.0.0.1", "")]

  it "begins with the code that the server printed: without it nobody keeps the house, and a second time nobody does" do
    get("/")
    expect(lands).to eq [303, "/setup"]
    get("/setup")
    asked = {name: "Maren", login: "Maren@Quay.example", password: password, authenticity_token: form_token}
    post("/setup", asked.merge(code: "AAAA-BBBB-CCCC"))
    expect([last_response.status, text, Windlass::Records::Person.count]).to match [422, /That is not the code/, 0]
    post("/setup", asked.merge(code: Windlass::SetupCode.now, password: "short"))
    expect([last_response.status, text]).to match [422, /password: has 5 characters; needed: 12 or more/]
    expect(page.at("[name=login]")["value"]).to eq "Maren@Quay.example"
    post("/setup", asked.merge(code: Windlass::SetupCode.now.downcase))
    expect(lands).to eq [303, "/sign-in"]
    expect(Windlass::Records::Person.sole.roles.map(&:in_words)).to match_array ["keeper", "coach of everybody"]

    expect(house.alone).to be false
    post("/setup", asked.merge(code: Windlass::SetupCode.now, login: "other"))
    expect([last_response.status, Windlass::Records::Person.count]).to eq [422, 1]
    sign_in("maren@quay.example", password)
    expect(lands).to eq [302, "/"]
    get("/")
    expect(last_response.body).to match(%r{<h1>Today</h1>.*My sign-in</a>: Maren\.}m)
  end

  it "leads to the page that was asked for, never to another house, and tells a script that it has to" do
    someone("maren", password, {kind: "coach", of_all: true})
    get("/athletes?group=3")
    expect(lands).to eq [303, "/sign-in"]
    sign_in("maren", password)
    expect(lands).to eq [302, "/athletes?group=3"]
    clear_cookies
    get("//evil.example/athletes")
    sign_in("maren", password)
    expect(lands).to eq [302, "/"]
    clear_cookies
    get("/athletes", {}, "HTTP_HX_REQUEST" => "true")
    expect(last_response.status).to eq 401
  end

  it "says the same of an unknown name as of a wrong password, and asks for a token" do
    someone("maren", password)
    answers = %w[maren nobody].map do |login|
      clear_cookies
      sign_in(login, "not that one at all")
      [last_response.status, page.at("#main").text.gsub(/\s+/, " ").gsub(login, "")]
    end
    expect(answers.uniq).to match [[401, include("That name and that password do not go together.")]]
    post("/sign-in", {login: "maren", password: password})
    expect(last_response.status).to eq 403
    get("/athletes")
    expect(lands).to eq [303, "/sign-in"]
  end

  it "is traced, by whom and on which device: in, out, and a lockout; a wrong password is none of somebody's deeds" do
    header("User-Agent", "Mozilla/5.0 (X11; Linux) Firefox/130")
    maren = someone("maren", password, {kind: "coach", of_all: true})
    sign_in("maren", "wrong #{password}")
    sign_in("maren", password)
    get("/my-sign-in")
    post("/sign-out", authenticity_token: form_token)
    10.times { sign_in("maren", "wrong #{password}") }
    expect(Windlass::Records::TraceEntry.order(:id).map do |entry|
      [entry.person_uuid, Windlass::Trace.words(entry), entry.device]
    end).to eq(["signed in", "signed out", "was locked out after too many tries"].map do |words|
      [maren.uuid, words, "Firefox on Linux"]
    end)
  end

  it "gives a session a new beginning, so that one which was planted is worth nothing" do
    someone("maren", password, {kind: "coach", of_all: true})
    get("/sign-in")
    planted = last_response["set-cookie"][/\A[^;]+/]
    sign_in("maren", password)
    clear_cookies
    get("/athletes", {}, "HTTP_COOKIE" => planted)
    expect(lands).to eq [303, "/sign-in"]
  end

  it "ends when it was idle for long, after a week in any case, and where somebody ended it elsewhere" do
    person = someone("maren", password, {kind: "coach", of_all: true})
    open = -> { (get("/athletes") && last_response.status) == 200 }
    sign_in("maren", password)
    expect(open.call).to be true
    real = Time.now
    passed = ->(seconds) { allow(Time).to receive(:now) { real + seconds } }
    # What a page that stands open asks for by itself is nothing that somebody does.
    passed[Windlass::SignIn::IDLE_S - 60]
    expect(get("/today/alone") && last_response.status).to eq 200
    passed[Windlass::SignIn::IDLE_S + 60]
    expect(open.call).to be false
    allow(Time).to receive(:now).and_call_original
    sign_in("maren", password)
    expect(open.call).to be true
    Windlass::SignIn.database[:person_active_sessions].where(person_id: person.id).delete
    expect(open.call).to be false
  end

  it "stays on a device that is to be remembered, until that is taken back" do
    person = someone("maren", password, {kind: "coach", of_all: true})
    sign_in("maren", password, remember: "1")
    expect(rack_mock_session.cookie_jar["windlass_remember"]).not_to be_nil
    rack_mock_session.cookie_jar.delete("windlass")
    get("/athletes")
    expect(last_response.status).to eq 200
    Windlass::Actions::ClosePerson.call(person, now: clock.now)
    get("/athletes")
    expect(lands).to eq [303, "/sign-in"]
  end

  it "keeps guessers waiting, by name and by address, and lets those in who share the address" do
    someone("maren", password, {kind: "coach", of_all: true})
    someone("tobias", password, {kind: "coach", of_all: true})
    statuses = Array.new(25) { sign_in("maren", "wrong words again") && last_response.status }
    expect([statuses.first, statuses.last]).to eq [401, 429]
    clear_cookies
    sign_in("tobias", password)
    expect(lands).to eq [302, "/"]
    clear_cookies
    25.times { |number| sign_in("name#{number}", "wrong words again") }
    sign_in("tobias", password)
    expect(last_response.status).to eq 429
  end

  it "asks for a one-time code where somebody wants that, and takes a recovery code once in its place" do
    person = someone("maren", password, {kind: "coach", of_all: true})
    sign_in("maren", password)
    get("/otp-setup")
    secret, raw = %w[otp-key otp-hmac-secret].map { |id| page.at("##{id}")["value"] }
    post(
      "/otp-setup",
      {
        otp_secret: secret, otp_raw_secret: raw, password: password, otp: ROTP::TOTP.new(secret).now,
        authenticity_token: form_token
      }
    )
    expect(Windlass::SignIn.database[:person_otp_keys].where(id: person.id).count).to eq 1
    code = Windlass::SignIn.database[:person_recovery_codes].where(id: person.id).get(:code)
    clear_cookies
    sign_in("maren", password)
    get("/athletes")
    expect(lands).to match [303, %r{\A/(multifactor|otp)-auth}]
    2.times do |turn|
      get("/recovery-auth")
      post("/recovery-auth", {"recovery-code" => code, :authenticity_token => form_token})
      get("/athletes")
      expect([turn, last_response.status]).to eq [turn, 200]
      break
    end
    clear_cookies
    sign_in("maren", password)
    get("/recovery-auth")
    post("/recovery-auth", {"recovery-code" => code, :authenticity_token => form_token})
    get("/athletes")
    expect(last_response.status).to eq 303
  end

  it "sends the same answer for a reset whether the name is known or not; the link is good once" do
    person = someone("maren@quay.example", password)
    answers = %w[maren@quay.example nobody@quay.example].map do |login|
      get("/reset-password-request")
      post("/reset-password-request", {login: login, authenticity_token: form_token})
      lands
    end
    expect(answers.uniq.size).to eq 1
    letter = Windlass::Post.outbox.last
    expect(letter[:to]).to eq person.login
    link = letter[:text][%r{/reset-password\?\S+}]
    get(link)
    follow_redirect! if last_response.redirect?
    post("/reset-password", {password: "another four words here", authenticity_token: form_token})
    clear_cookies
    sign_in("maren@quay.example", "another four words here")
    expect(lands).to eq [302, "/"]
    clear_cookies
    get(link)
    follow_redirect! if last_response.redirect?
    expect(page.at("[name=password]").nil? || last_response.redirect?).to be true
  end
end
