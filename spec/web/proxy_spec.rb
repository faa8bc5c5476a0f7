# frozen_string_literal: true

require "web_helper"
require "fileutils"
require "openssl"

# Two application servers on one house, behind Debian's nginx with TLS: config/examples/nginx.conf as it stands there.
# One house for all: whoever tried too often is kept waiting afterwards, so that comes last.
RSpec.describe "Behind a proxy", :both_databases, order: :defined do
  include Served

  # To start them takes longest: they stay for all.
  before(:context) do
    @folder = Dir.mktmpdir
    FileUtils.chmod(0o755, @folder)
    @ports = Array.new(2) { free_port }
    @tls = free_port
    secret = SecureRandom.hex(32)
    environment = {
      "WINDLASS_DB" => house_in(@folder), "WINDLASS_WORKERS" => "0", "WINDLASS_HTTPS" => "1",
      "WINDLASS_HOSTS" => "house.example", "WINDLASS_PROXY_SECRET" => secret
    }
    migrated(environment)
    @servers = @ports.map { |port| serve(environment.merge("PORT" => port.to_s)) }
    @proxy = spawn("nginx", "-p", @folder, "-c", config(@folder, secret), out: File::NULL, err: File::NULL)
    wait_until do
      @ports.all? { |port| direct(port).is_a?(Net::HTTPForbidden) } && asked("/token", cookie: nil).code == "200"
    end
    asked("/setup", {**maren, "code" => Windlass::SetupCode.now, "authenticity_token" => token})
    @landed = asked("/sign-in", {**maren, "authenticity_token" => token})
  end

  after(:context) do
    @servers&.each { |server| ended(server) }
    @proxy && Process.kill(:TERM, @proxy) && Process.wait(@proxy)
    FileUtils.remove_entry(@folder)
  end

  # The example with this machine's ports, secret and certificate in place of the house's.
  def config(folder, secret)
    certificate(folder)
    server = File.read(File.join(Served::ROOT, "config/examples/nginx.conf"))
      .sub("server 127.0.0.1:9494;", @ports.map { |port| "server 127.0.0.1:#{port};" }.join(" "))
      .sub("listen 80;", "listen 127.0.0.1:#{free_port};").sub("listen 443 ssl;", "listen 127.0.0.1:#{@tls} ssl;")
      .sub("WINDLASS_PROXY_SECRET", secret).gsub("/etc/ssl/house.example", File.join(folder, "house"))
    temporary = %w[client_body proxy fastcgi uwsgi scgi].map { |name| "#{name}_temp_path #{folder}/#{name};" }.join(" ")
    File.join(folder, "nginx.conf").tap do |path|
      File.write(
        path,
        "daemon off; pid #{folder}/nginx.pid; error_log #{folder}/error.log; events {}\n" \
          "http { access_log off; #{temporary}\n#{server}\n}\n"
      )
    end
  end

  def certificate(folder)
    key = OpenSSL::PKey::RSA.new(2048)
    name = OpenSSL::X509::Name.parse("/CN=house.example")
    made = OpenSSL::X509::Certificate.new
    made.version, made.serial, made.subject, made.issuer, made.public_key = 2, 1, name, name, key.public_key
    made.not_before, made.not_after = Time.now - 60, Time.now + 3600
    made.sign(key, OpenSSL::Digest.new("SHA256"))
    File.write(File.join(folder, "house.pem"), made.to_pem)
    File.write(File.join(folder, "house.key"), key.to_pem)
  end

  def direct(port) = Net::HTTP.start("127.0.0.1", port) { |http| http.get("/token", "Host" => "house.example") }

  # Each on a connection of its own: now one of the two servers answers, now the other.
  def asked(path, form = nil, cookie: @cookie)
    Net::HTTP.start("127.0.0.1", @tls, use_ssl: true, verify_mode: OpenSSL::SSL::VERIFY_NONE,
      read_timeout: 20) do |http|
      request = form ? Net::HTTP::Post.new(path).tap { |post| post.set_form_data(form) } : Net::HTTP::Get.new(path)
      request["Host"] = "house.example"
      request["Cookie"] = cookie if cookie
      http.request(request).tap { |got| keep(got["set-cookie"]) }
    end
  end

  def keep(set) = set && @cookie = set[/\A[^;]+/]

  def token = JSON.parse(asked("/token").body).fetch("token")

  def maren = {"name" => "Maren", "login" => "maren", "password" => "barge lantern tide mole"}

  it "signs in over TLS alone, with a cookie of this house only; what one server writes the other says" do
    signed_in = @cookie
    first = asked("/sign-in", cookie: nil)
    expect(first["strict-transport-security"]).to eq "max-age=31536000"
    expect(first["set-cookie"]).to match(/\A__Host-windlass=.*; path=\/;.*; secure; httponly; samesite=lax/i)
    expect(first["content-security-policy"]).to include "default-src 'none'"
    expect([@landed.code, @landed["location"]]).to eq ["302", "/"]
    @cookie = signed_in

    ada = {
      "name" => "Ada Lund", "born_on" => "1995-04-01", "sex" => "female", "height_cm" => "169", "mass_kg" => "61",
      "disciplines[]" => "singing", "control_pause_use" => "primary", "nervous" => "false", "sleep_signs" => "false"
    }
    made = asked("/athletes", ada.merge("authenticity_token" => token))
    expect([made.code, made["location"]]).to match ["303", start_with("https://house.example/")]
    said = Array.new(8) { asked("/athletes").then { |got| [got.code, got.body.include?("Ada Lund")] } }
    expect(said.uniq).to eq [["200", true]]
    # The house leaves by its keeper's password alone.
    exports = ["", "barge lantern tide mule", "barge lantern tide mole"].map do |password|
      asked("/place/archive.json", {"authenticity_token" => token, "password" => password})
    end
    expect(exports.map(&:code) + [exports.last["transfer-encoding"]]).to eq %w[422 422 200 chunked]
    expect([asked("/sw.js").code, asked("/manifest.webmanifest").code]).to eq %w[200 200]
    # Whoever is signed out is so at both.
    asked("/sign-out", {"authenticity_token" => token})
    expect(Array.new(6) { asked("/athletes").code }.uniq).to eq ["303"]
  end

  it "counts tries that failed for both servers together" do
    @cookie = nil
    codes = Array.new(24) do
      asked("/sign-in", {"login" => "maren", "password" => "not that one at all", "authenticity_token" => token}).code
    end
    # Twenty tries of a name, the one that succeeded among them.
    expect([codes.first, codes.last, codes.tally["429"]]).to eq ["401", "429", 5]
  end
end
