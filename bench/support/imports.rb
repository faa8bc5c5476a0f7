# frozen_string_literal: true

require "net/http"
require "json"

module Bench
  # The longest files that people have, sent through the pages one after the other: dives, a notebook's holds, an
  # oximeter trace, and the demo's own archive. Each of them is waited for.
  class Imports
    DIVES = 10_000
    HOLDS = 49_000
    READINGS = 49_000
    HOLDS_A_SESSION = 13

    # @param base [URI] of the server
    # @param athlete [Windlass::Records::Athlete] who has small holds and no dives
    # @param session [Windlass::Records::Session] that gets the trace
    # @param archive [String]
    def initialize(base, athlete, session, archive)
      @base = base
      @athlete = athlete
      @session = session
      @archive = archive
    end

    # @yieldparam what [String]
    # @yieldparam seconds [Float] that it took
    # @yieldparam words [String] how it ended
    def run
      files.each do |what, (path, field, text)|
        began = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        words = wait_for(send_file(path, field, text))
        yield what, Process.clock_gettime(Process::CLOCK_MONOTONIC) - began, words
      end
    end

    private

    def files
      {
        "#{DIVES} dives" => ["/athletes/#{@athlete.id}/dives", "dives", dives],
        "#{HOLDS} holds" => ["/log/table", "table", holds],
        "#{READINGS} readings" => ["/sessions/#{@session.uuid}/oximeter", "trace", readings],
        "an archive of #{@archive.bytesize / 1_000_000} MB" => ["/place/import", "archive", @archive]
      }
    end

    def dives
      began = Time.utc(2025, 1, 1)
      Windlass::Formats::Uddf.write(
        @athlete.name,
        Array.new(DIVES) { |number| Windlass::Water::Dive.new(down: began + number * 1500, seconds: 60, depth_m: 10) }
      )
    end

    def holds
      first = Date.new(2022, 1, 1)
      rows =
        Array.new(HOLDS) do |number|
          set, hold = number.divmod(HOLDS_A_SESSION)
          "s#{set},#{(first + set / 3).iso8601},#{@athlete.name},Small holds,#{hold + 1},#{4 + set % 3},false,,smooth,"
        end
      ["session,date,athlete,protocol,hold,held_s,skipped,first_urge_s,first_breath,sao2_low", *rows].join("\n")
    end

    def readings =
      ["time,saturation,pulse", *Array.new(READINGS) { |second| "#{second},#{97 - second / 60 % 7},61" }].join("\n")

    def send_file(path, field, text)
      sent = Net::HTTP::Post.new(path)
      sent.set_form(
        [["authenticity_token", token], [field, text, {filename: "file", content_type: "text/plain"}]],
        "multipart/form-data"
      )
      URI(request(sent)["location"]).path
    end

    # What is only looked at is kept then.
    def wait_for(path)
      loop do
        sleep 0.5
        page = request(Net::HTTP::Get.new(path))
        return request(Net::HTTP::Get.new(URI(page["location"]).path)).code && "done" if page.code == "303"

        if page.body.include?("Keep them")
          request(
            Net::HTTP::Post
              .new("#{path}/keep")
              .tap { |kept| kept.set_form_data("authenticity_token" => token, "order" => "") }
          )
        elsif !page.body.include?("id=\"import\"")
          return page.body[%r{<p class="(fault)?">(.+?)</p>}, 2].to_s
        end
      end
    end

    def token = JSON.parse(request(Net::HTTP::Get.new("/token")).body).fetch("token")

    def request(sent)
      sent["Cookie"] = @cookie if @cookie
      Net::HTTP
        .start(@base.host, @base.port, read_timeout: 120) { |http| http.request(sent) }
        .tap { |got| @cookie = got["set-cookie"][/\A[^;]+/] if got["set-cookie"] }
    end
  end
end
