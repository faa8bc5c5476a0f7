# frozen_string_literal: true

require "web_helper"

# A session of blocks from the composer to the verdict, without scripts.
RSpec.describe "A session of blocks", :web do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 24) } }
  let(:hiss) do
    {
      "protocol" => "hiss-ladder",
      "dose" => {
        "top_beats" => "8",
        "tempo" => "69"
      },
      "said" => {
        "hold" => "Wide as the quay",
        "note" => "softly"
      }
    }
  end
  let(:ratio) do
    {"protocol" => "ratio", "dose" => {"pattern" => "4:2:4:2", "count_s" => "1", "rounds" => "3"}, "repeats" => "2"}
  end

  def press(deed, blocks, **more) = submit("/protocols/blocks", "/protocols/blocks", deed: deed, blocks: blocks, **more)

  def headings = page.css(".block h2").map(&:text)

  # What stands in the page's form, as a browser would send it.
  def typed =
    page
      .css("#compose [name^=blocks]")
      .to_h do |field|
        [
          field["name"],
          (
            if field.name == "select"
              field.at("option[selected]")&.[]("value") || field.at("option")["value"]
            else
              field["value"]
            end
          )
        ]
      end

  def keep(blocks, **more) =
    submit("/protocols/blocks", "/own-protocols", protocol: "blocks", blocks: blocks, name: "Evening", **more)

  it "becomes a series in one press, and its rungs say what they move" do
    dose = {"stage" => "0", "narrow" => "none", "cycles" => "2", "rounds" => "2", "count_s" => "1", "form" => "left"}
    nostril = {"protocol" => "alternate-nostril", "dose" => dose}
    press("series:1", {"1" => nostril.merge("through" => "narrow"), "2" => hiss})
    expect([headings.size, typed.select { |name, _| name.end_with?("[dose][narrow]") }.values]).to eq [
      5,
      %w[none in out both]
    ]
    expect(typed.select { |name, _| name.end_with?("[series]") }.values).to eq ["1", "1", "1", "1", ""]

    series = %w[none in out both].map.with_index(1) do |way, number|
      [number.to_s, {**nostril, "dose" => nostril["dose"].merge("narrow" => way), "series" => "1"}]
    end
    submit("/protocols/blocks", "/protocols/blocks/prescriptions", blocks: series.to_h, athlete_id: athlete.id.to_s)
    follow_redirect!
    expect(page.css("main h2").map(&:text)).to include(match(/\A4 blocks, \d/))
    expect(page.css(".block-list li").size).to eq 4
    expect(page.css(".rungs li").map { |rung| rung.text.strip }.first(2)).to match [
      "As composed",
      /\ABlocks 1, 2, 3 and 4, .* → /
    ]
  end

  it "grows by buttons: added, copied, moved, taken out, and what was typed stays" do
    press("add", {}, add: "hiss-ladder")
    expect([last_response.status, headings]).to eq [200, ["1. Hiss ladder"]]
    press("add", {"1" => hiss}, add: "quiet-breathing")
    expect([headings, typed["blocks[1][dose][tempo]"], typed["blocks[1][said][hold]"]]).to eq [
      ["1. Hiss ladder", "2. Quiet breathing"],
      "69",
      "Wide as the quay"
    ]
    press("copy:1", {"1" => hiss, "2" => ratio})
    expect([headings, typed["blocks[3][dose][tempo]"]]).to eq [
      ["1. Hiss ladder", "2. Hiss ladder", "3. Ratio breathing"],
      "69"
    ]
    press("down:1", {"1" => hiss, "2" => ratio})
    expect([headings, page.at(".block[id=block-1] [autofocus]")["value"]]).to eq [
      ["1. Ratio breathing", "2. Hiss ladder"],
      "up:1"
    ]
    press("remove:1", {"1" => hiss, "2" => ratio})
    expect(headings).to eq ["1. Ratio breathing"]
    press("up:9", {"1" => hiss, "2" => "rubbish", "x" => {"protocol" => "juggling"}})
    expect([last_response.status, headings]).to eq [200, ["1. Hiss ladder"]]
  end

  it "says no to more than one session can hold, and what it holds has a ladder that is no longer than its page may " \
    "take" do
    bellows = {"protocol" => "bellows", "dose" => {"gear_s" => "15", "hold_s" => "15", "rounds" => "3"}}
    keep({"1" => bellows.merge("repeats" => "20")})
    expect([last_response.status, text]).to match [
      422,
      /\d{4} breaths, holds and pauses are too many; allowed: 800 in one session/
    ]
    keep({"1" => bellows, "2" => bellows})
    own = Windlass::Records::OwnProtocol.sole
    standing =
      Windlass::Actions::Prescribe.call(athlete, own.to_protocol, own: own, now: clock.now).to_standing(
        on: clock.now.to_date
      )
    # Every rung is forecast whole: what a page writes out is bounded, however long the session is.
    expect(standing.ladder.rungs.sum { |rung| own.to_protocol.bound(rung).parts }).to be_between(
      2_000,
      1.3 * Windlass::Protocols::Blocks::LADDER_PARTS
    )
  end

  it "shows one line, one total and one forecast, and a fault beside its number in its block" do
    press("", {"1" => hiss.merge("after" => "time", "after_s" => "1:30"), "2" => ratio})
    expect(
      text
    ).to include "Hiss ladder: 8 beats of hiss, each twice, 69 beats a minute, 1:30 between; then Ratio breathing: " \
      "3 rounds of 4 : 2 : 4 : 2, 1 s a count, 2 times",
      "3 min 16 s in all"
    keep(
      {
        "1" => hiss,
        "2" => ratio.merge("dose" => {"pattern" => "4:2:4:2", "count_s" => "9", "rounds" => "3"}, "repeats" => "99")
      }
    )

    expect([last_response.status, page.at("#found-blocks-2-dose-count_s").text.strip]).to match [
      422,
      /9 is not allowed; allowed: 0.4 to 2/
    ]
    expect(page.at("#block-2 > .fault").text).to include "99 is not allowed; allowed: 1 to 20"
    expect(page.at("#block-2 .block-numbers")["open"]).not_to be_nil
    expect(account.own_protocols.count).to eq 0
  end

  it "is kept, goes out and comes back as YAML, and is prescribed beside another one" do
    keep({"1" => hiss.merge("after" => "wait"), "2" => ratio}, note: "by the fire")
    kept = Windlass::Records::OwnProtocol.sole
    get("/own-protocols/#{kept.id}.yml")
    yaml = last_response.body
    kept.update!(name: "Another")
    file = Rack::Test::UploadedFile.new(StringIO.new(yaml), "application/yaml", original_filename: "evening.yml")
    submit("/protocols", "/own-protocols/import", file: file)

    evening = Windlass::Records::OwnProtocol.order(:id).last
    expect([evening.to_dose, evening.note]).to eq [kept.to_dose, "by the fire"]
    expect(yaml).to include "after: wait", "repeats: 2", "hold: Wide as the quay"
    [kept, evening].each do |own|
      submit(
        "/own-protocols/#{own.id}?athlete_id=#{athlete.id}",
        "/own-protocols/#{own.id}/prescriptions",
        athlete_id: athlete.id
      )
    end
    expect(athlete.prescriptions.pluck(:protocol)).to match_array %w[blocks:another blocks:evening]
    wrong =
      Rack::Test::UploadedFile.new(
        StringIO.new(yaml.sub("tempo: 69", "tempo: fast")),
        "application/yaml",
        original_filename: "x.yml"
      )
    submit("/protocols", "/own-protocols/import", file: wrong)
    expect(text).to include 'dose.blocks[0].dose.tempo: "fast" is not allowed; allowed: 50 to 120 beats a minute'
  end

  describe "prescribed and run" do
    let(:prescription) do
      keep({"1" => hiss, "2" => ratio})
      Windlass::Actions::Prescribe.call(
        athlete,
        Windlass::Records::OwnProtocol.sole.to_protocol,
        own: Windlass::Records::OwnProtocol.sole,
        now: clock.now
      )
    end

    # Two hisses, then twice three rounds of two holds: the second hiss is cut short, one breath in the last block a
    # gasp.
    def run
      session = Windlass::Actions::PlanSession.call(prescription, now: clock.now)
      timeline = session.to_timeline
      sounds =
        timeline.sounds.flat_map do |sound|
          [
            {kind: "sound_start", at_ms: sound.start_ms, round: sound.number},
            {kind: "sound_end", at_ms: sound.end_ms - ((sound.number == 2) ? 4000 : 0), round: sound.number}
          ]
        end
      breaths = timeline.holds.to_h { |place| [place.number, (place.number == 14) ? "gasp" : "smooth"] }
      events =
        journal(session, breaths: breaths).reject do |event|
          event[:kind] == "first_breath" && !session.to_protocol.asked_holds(session.to_dose).include?(event[:round])
        end
      Windlass::Actions::KeepJournal.call(
        session,
        events + sounds.map { |event| event.merge(uuid: SecureRandom.uuid) },
        now: clock.now
      )
      session.reload
    end

    it "is one log with exhales and holds, and is judged block by block" do
      session = run
      expect(session.rounds.map { |round| [round.number, round.hold] }).to eq [
        [1, nil],
        [2, nil],
        *(3..14).map { |number| [number, number] }
      ]
      get("/sessions/#{session.uuid}")

      expect(page.css("section.sheet h2").map(&:text)).to include "Exhales", "Holds"
      expect(page.css("table").map { |table| table.css("tbody tr").size }).to eq [2, 12]
      expect(text).to include "1 part: round 2 of block 1, hiss ladder under 90 % of the target.",
        "1 gasp: hold 6 of block 2, ratio breathing."
      expect(Windlass::Queries::HeldDays.of(athlete, since: clock.now.to_date).map(&:longest_s)).to eq [2.0]
    end

    it "shows the coach's words on Today, on the sheet and on the deck, and where in the session it is" do
      prescription
      get("/")
      expect(
        page.at("#prescription-#{prescription.id}").text.squeeze(" ")
      ).to include "3 blocks: hiss ladder; ratio breathing", "Block 1, hiss ladder: softly"
      session = Windlass::Actions::PlanSession.call(prescription, now: clock.now)
      get("/sessions/#{session.uuid}/deck")
      plan = JSON.parse(page.at("#plan").text)

      expect(plan["segments"].find { |one| one["hold"] == 1 }.values_at("cue", "own")).to eq [
        "Ribs stay wide, engaged",
        "Wide as the quay"
      ]
      expect(plan["segments"].map { |one| one["block"] }.uniq).to eq [
        "Block 1 of 3: hiss ladder",
        "Block 2 of 3: ratio breathing",
        "Block 3 of 3: ratio breathing"
      ]
    end

    it "climbs one number of one block, and a higher rung may be begun on, with the reason kept, before anything " \
      "was run" do
      address = "/prescriptions/#{prescription.id}"
      submit(address, "#{address}/start", rung: "99", because: "")
      expect([last_response.status, text]).to match [422, /is missing|must be filled/]
      submit(address, "#{address}/start", rung: "2", because: "Sang for ten years")
      get(address)
      expect(text).to include "rung 2 of", "Begun higher: Sang for ten years"
      expect(prescription.reload.dose["blocks"].map { |one| one["dose"].slice("top_beats", "rounds") }).to eq [
        {"top_beats" => 12},
        {"rounds" => 3}
      ]
      run
      get(address)
      expect(page.at("form[action='#{address}/start']")).to be_nil
    end
  end
end
