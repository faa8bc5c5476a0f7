# frozen_string_literal: true

require "web_helper"
require_relative "../../db/demo/people"
require_relative "../../db/demo/scenario"

# Somebody else holds what is to be written, for real and longer than anybody waits.
RSpec.describe "A database that is busy", :both_databases do
  include WebHelpers

  before do
    Windlass::Web.set :clock, StandingClock.new(WebHelpers::NOON)
    WebHelpers.seated = nil
  end

  let(:postgres) { Windlass::Records::Record.connection.adapter_name != "SQLite" }

  # On a connection of its own, until it is let go.
  def held(athlete)
    ready, go = Queue.new, Queue.new
    holder =
      Thread.new do
        Windlass::Records::Record.connection_pool.with_connection do |connection|
          connection.transaction do
            connection.execute(
              (
                if postgres
                  "SELECT 1 FROM athletes WHERE id = #{athlete.id} FOR UPDATE"
                else
                  "UPDATE athletes SET notes = notes WHERE id = #{athlete.id}"
                end
              )
            )
            ready << true
            go.pop
          end
        end
      end
    ready.pop
    yield
  ensure
    go << true
    holder.join
  end

  # So that a spec waits a tenth of a second.
  def impatient
    connection = Windlass::Records::Record.connection
    postgres ? connection.execute("SET lock_timeout = '100ms'") : connection.raw_connection.busy_handler_timeout = 100
    yield
  ensure
    postgres ?
      connection.execute("SET lock_timeout = '5s'") :
      connection.raw_connection.busy_handler_timeout = Windlass::Database::BUSY_TIMEOUT_MS
  end

  it "is read all the same; what was to be written comes back filled, and is written by the next try" do
    header("Host", "127.0.0.1")
    athlete = make_athlete
    get("/athletes/#{athlete.id}/edit")
    typed = {
      "name" => "Ines Aldaya-Quint",
      "born_on" => "1995-04-01",
      "sex" => "female",
      "height_cm" => "169",
      "mass_kg" => "61",
      "control_pause_use" => "primary",
      "nervous" => "false",
      "sleep_signs" => "false",
      "lock_version" => page.at("input[name=lock_version]")["value"],
      "notes" => "späte Übung"
    }
    token = page.at("meta[name=csrf-token]")["content"]

    held(athlete) do
      impatient { post("/athletes/#{athlete.id}", typed.merge("authenticity_token" => token)) }
      expect([last_response.status, last_response.headers["retry-after"], text]).to match [
        503,
        "2",
        /Somebody else is writing just now, so nothing was written/
      ]
      get("/athletes/#{athlete.id}")
      expect([last_response.status, text]).to match [200, /Ines Aldaya/]
    end
    expect(athlete.reload.name).to eq "Ines Aldaya"

    impatient { held(athlete) { post("/athletes/#{athlete.id}", typed.merge("authenticity_token" => token)) } }
    again = page.css("form[data-again] input").to_h { |field| [field["name"], field["value"]] }
    post("/athletes/#{athlete.id}", again.merge("authenticity_token" => token))
    expect([last_response.status, athlete.reload.name, athlete.notes]).to eq [303, "Ines Aldaya-Quint", "späte Übung"]
  ensure
    Windlass::Demo::People.clear
    Windlass::Demo::Scenario.clear
  end
end
