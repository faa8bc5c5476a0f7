# frozen_string_literal: true

source "https://rubygems.org"

ruby ">= 3.1"

# The core: JSON that comes from outside, checked against published schemas.
gem "json_schemer", "~> 2.5"
# Loads a file when its constant is first named.
gem "zeitwerk", "~> 2.6.18"
# What was compiled once is not compiled at each start.
gem "bootsnap", "~> 1.26", require: false

# The database.
gem "activerecord", "~> 7.2.3"
gem "delayed_job_active_record", "~> 4.1"
gem "sqlite3", "~> 2.8.1"

# The web.
# For its coder, which Debian's own does not have yet.
gem "json", "~> 3.1"
gem "dry-validation", "1.10.0"
gem "dry-schema", "1.13.4"
gem "erubi", "~> 1.13"
gem "puma", "~> 8.0"
gem "rack-session", "~> 2.1"
gem "rackup", "~> 2.3"
gem "rake", "~> 13.0"
gem "icalendar", "~> 2.10"
gem "nokogiri", "~> 1.18"
gem "prawn", "~> 2.5"
gem "prawn-table", "~> 0.2"
gem "sinatra", "~> 4.2"

# Who somebody is: sign-in, and what guards it.
gem "argon2", "~> 2.3"
gem "rack-attack", "~> 6.8"
gem "rodauth", "~> 2.49"
gem "rotp", "~> 6.3"
gem "rqrcode", "~> 3.1"
gem "sequel-activerecord_connection", "~> 2.0"
gem "tilt", "~> 2.6"
gem "webauthn", "~> 3.4"
gem "mail", "~> 2.8"

# As Debian's Ruby brings them: newer ones would be compiled, for nothing that is used here.
gem "bigdecimal", "3.1.1"
gem "date", "3.2.2"
gem "openssl", "3.0.1"

# Only where DATABASE_URL puts the house on PostgreSQL.
group :postgresql, optional: true do
  gem "pg", "~> 1.5"
end

group :development, :test do
  gem "brakeman", "~> 7.1.1", require: false
  gem "erb_lint", "~> 0.9", require: false
  gem "standard", "~> 1.57", require: false
end

group :test do
  gem "capybara", "~> 3.40"
  gem "cuprite", "~> 0.19.0"
  gem "ferrum", "~> 0.19.2"
  gem "midilib", "~> 4.0", require: false
  gem "pdf-reader", "~> 2.12", require: false
  gem "rack-test", "~> 2.2"
  gem "rspec", "~> 3.13"
end
