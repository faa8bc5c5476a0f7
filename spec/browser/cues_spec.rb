# frozen_string_literal: true

require "browser_helper"

# What the deck plays is what the core says (`bin/windlass cues`), word for word and tone for tone.
RSpec.describe "What the deck plays", :browser do
  let(:athlete) { make_athlete(disciplines: %w[freediving surfing singing]).tap { |one| make_pause(one, 40) } }

  def by_deck(plan)
    page.evaluate_async_script(<<~JS)
      Promise.all([import("#{Windlass::Assets.path("js/cues.js")}"), import("#{Windlass::Assets.path("js/run.js")}")]).then(([cues, { Run }]) => {
        const plan = #{JSON.generate(plan)};
        const run = new Run({ ...plan, over: true, hands_free: true }, { run: null }, {});
        Object.assign(run.state, { index: 0, segmentStart: 0 });
        return cues.cuesBetween(run, -60000, 36e6).map(({ atMs, kind, hz, say }) => [Math.round(atMs), kind, hz ?? 0, (say ?? []).join(" ")]).sort((one, other) => one[0] - other[0] || (one[1] < other[1] ? -1 : 1));
      }).then((found) => arguments[0](found), (error) => arguments[0](String(error)))
    JS
  end

  # What a hand may end waits on the deck, and can't on a track; what is counted runs by the clock.
  def timed?(timeline) = timeline.segments.none? { |segment| segment.open? && (segment.hold? || !(segment.breaths || segment.repetitions)) }

  def by_core(session)
    dose = session.to_dose
    protocol = session.to_protocol
    Windlass::Spoken.of(session.to_timeline, counts: protocol.counting(dose), calls: protocol.calls(dose)).cues.map do |cue|
      kinds = {instruction: :say, place: :say, tick: cue.accent ? :accent : :tick}
      [cue.at_ms.round, (cue.tone || kinds.fetch(cue.kind, cue.kind)).to_s, cue.hz || 0, Windlass::Spoken::Clips.of(cue.words.to_s).to_a.join(" ")]
    end
  end

  it "is what the core says, family by family" do
    visit("/athletes/new")
    athlete.measures.create!(account_id: 1, uuid: SecureRandom.uuid, kind: "maximal_hold", value: 150, taken_at: WebHelpers::NOON - 40 * 86_400, details: {})
    athlete.days.create!(account_id: 1, local_date: clock.now.to_date, watcher: "Ada Quill")
    compared = Windlass::Protocols::ALL.select do |protocol|
      session = plan(Windlass::Actions::Prescribe.call(athlete, protocol, now: clock.now))
      timeline = session.to_timeline
      next unless timed?(timeline)

      played, said = by_deck(Windlass::Presenters::Deck.new(session).plan).sort, by_core(session).sort
      expect([protocol.id, played.map { |at, *rest| rest } == said.map { |at, *rest| rest }, played.zip(said).map { |one, other| (one[0] - other[0]).abs }.max]).to match [protocol.id, true, be <= 2]
    end

    expect(compared.size).to be > 8
  end
end
