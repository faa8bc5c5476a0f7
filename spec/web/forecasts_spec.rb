# frozen_string_literal: true

require "web_helper"

RSpec.describe "Forecasts", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:prescription) { prescribe(athlete) }

  def csv(readings) = "time,saturation,pulse\n#{readings.map { |row| row.join(",") }.join("\n")}"

  def upload(session, content)
    submit(
      "/sessions/#{session.uuid}",
      "/sessions/#{session.uuid}/oximeter",
      "trace" => Rack::Test::UploadedFile.new(StringIO.new(content), "text/csv", original_filename: "trace.csv")
    )
  end

  it "stand on the prescription in words, strips and a table" do
    get("/prescriptions/#{prescription.id}")

    expect(text).to match(/Holds end before the urge \(2\d to 2\d s\)\. Oxygen would reach the floor after/)
    expect([page.css("path.co2").size, page.css("path.oxygen").size]).to eq [1, 1]
    expect(page.css("details tbody tr").size).to eq 13
  end

  it "are kept with the session as planned, and stand beside what was marked" do
    session = Windlass::Actions::PlanSession.call(prescription, now: clock.now)
    events = journal(session) << {uuid: SecureRandom.uuid, kind: "first_urge", at_ms: 128_400, round: 1}
    Windlass::Actions::KeepJournal.call(session, events, now: clock.now)
    get("/sessions/#{session.uuid}")
    first = page.css("tbody tr").first.css("td").map { |cell| cell.text.strip }

    expect(first[2..3]).to match ["3.4 s", /\A2\d s\z/]
    get("/athletes/#{athlete.id}")
    expect(page.css("tbody tr td.n").map(&:text)).to include(match(%r{\A3.4 s / 2\d s\z}))
  end

  it "are not made for a child, who trains all the same" do
    athlete.update!(born_on: "2010-01-01")
    get("/prescriptions/#{prescription.id}")

    expect(text).to include "No forecast under 18 years", "13 holds of 5 s"
    expect(page.css("path.co2")).to be_empty
  end

  describe "the simulated oximeter" do
    let(:session) { Windlass::Actions::PlanSession.call(prescription, now: clock.now) }

    it "gives half a minute of the session at a time, second by second from where it is, and holds no request open" do
      readings =
        [120_000, 400_000, -5, "rubbish"].map do |at|
          get("/sessions/#{session.uuid}/oximeter", at: at)
          JSON.parse(last_response.body, symbolize_names: true)[:readings]
        end

      expect(readings.map { |some| some.map { |one| one[:t] } }).to eq [
        (120..149).to_a,
        (400..420).to_a,
        (0..29).to_a,
        (0..29).to_a
      ]
      # In the bytes of the two services: status, saturation, pulse; flags, pulse, from beat to beat in 1/1024 s.
      layouts = {oximeter: "CS<S<S<", belt: "CCS<*"}
      sent = readings.first.map { |one| layouts.map { |key, layout| [one[key]].pack("H*").unpack(layout) } }
      expect(sent.map(&:first)).to all(match([4, be_between(90, 100), be_between(40, 90), 0x80]))
      beats = sent.flat_map { |_, belt| belt.drop(2) }
      expect(beats.sum / 1024.0).to be_within(1.5).of(30)
      expect(sent.map(&:last)).to all(start_with(0x16, be_between(40, 90)))
    end

    it "is kept with the journal, and gives each hold the low that belongs to it" do
      dip = ->(second) { (second == 125 + 5 + 21) ? 93 : 97 }
      readings = (0..420).map { |t| {uuid: SecureRandom.uuid, kind: "oximeter", at_ms: t * 1000, value: dip[t].to_s} }
      readings.each_slice(200) { |batch| send_json("/sessions/#{session.uuid}/events", events: batch) }
      send_json("/sessions/#{session.uuid}/events", events: journal(session))

      expect(session.rounds.map(&:sao2_low).first(3)).to eq [0.93, 0.97, 0.97]
      expect(athlete.reload.oximeter_logged).to be true
      send_json(
        "/sessions/#{session.uuid}/events",
        events: [readings.first.merge(uuid: SecureRandom.uuid, value: "smooth")]
      )
      expect(last_response.body).to match(/"kept":\[\],"refused":.*does not go with oximeter/)
    end
  end

  describe "a recorded trace" do
    let(:session) { run_set(prescription) }

    it "is laid over the session, keeps the low of every hold, and teaches the model" do
      upload(session, csv((0..440).map { |t| [t, t.between?(150, 156) ? 92 : 98, 60] }))

      expect(last_response.status).to eq 303
      expect(session.rounds.reload.map(&:sao2_low).first).to eq 0.92
      expect(athlete.reload.thrift).to be > 1.0
    end

    it "keeps and counts the lows of what was held, also where it goes on after the session was left" do
      left = plan(prescription)
      first = left.to_timeline.holds.first(1)
      Windlass::Actions::KeepJournal.call(left, journal(left, holds: first, ending: "stop"), now: clock.now)
      upload(left, csv((0..440).map { |t| [t, 97, 60] }))
      follow_redirect!
      expect([left.rounds.reload.map(&:sao2_low), text]).to match [[0.97], /The lows of 1 hold are kept\./]
    end

    it "is refused with line and reason where it is wrong, and changes nothing" do
      upload(session, csv([[0, 98, 60], [1, 8, 60]]))
      expect([last_response.status, text]).to match [422, /line 3: saturation "8" is not allowed; allowed: 30 to 100/]

      upload(session, csv((0..20).map { |t| [9000 + t, 98, 60] }))
      expect(text).to include "The trace covers no hold of this session; its times run from 9000 s to 9020 s."
      submit("/sessions/#{session.uuid}", "/sessions/#{session.uuid}/oximeter")
      expect(text).to include "No file was chosen."
      expect(session.rounds.reload.map(&:sao2_low).uniq).to eq [nil]
    end
  end
end
