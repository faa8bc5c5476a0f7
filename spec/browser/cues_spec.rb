# frozen_string_literal: true

require "browser_helper"

# The deck's tones and those of the practice track are laid out by two programs in two languages: they must say the same.
RSpec.describe "Cues of the deck and of the practice track", :browser do
  let(:athlete) { make_athlete(disciplines: %w[freediving surfing singing]).tap { |one| make_pause(one, 40) } }

  def by_deck(plan)
    page.evaluate_async_script(<<~JS)
      Promise.all([import("#{Windlass::Assets.path("js/cues.js")}"), import("#{Windlass::Assets.path("js/run.js")}")]).then(([cues, { Run }]) => {
        const plan = #{JSON.generate(plan)};
        const run = new Run({ ...plan, over: true, hands_free: true }, { run: null }, {});
        Object.assign(run.state, { index: 0, segmentStart: 0 });
        return cues.cuesBetween(run, -60000, 36e6).map(({ atMs, kind, hz }) => [Math.round(atMs), kind, hz ?? 0]).sort((one, other) => one[0] - other[0] || (one[1] < other[1] ? -1 : 1));
      }).then((found) => arguments[0](found), (error) => arguments[0](String(error)))
    JS
  end

  # What a hand may end waits on the deck, and can't on a track; what is counted runs by the clock.
  def timed?(timeline) = timeline.segments.none? { |segment| segment.open? && (segment.hold? || !(segment.breaths || segment.repetitions)) }

  it "are the same, family by family" do
    visit("/athletes/new")
    athlete.measures.create!(account_id: 1, uuid: SecureRandom.uuid, kind: "maximal_hold", value: 150, taken_at: WebHelpers::NOON - 40 * 86_400, details: {})
    athlete.days.create!(account_id: 1, local_date: clock.now.to_date, watcher: "Ada Quill")
    compared = Windlass::Protocols::ALL.select do |protocol|
      session = plan(Windlass::Actions::Prescribe.call(athlete, protocol, now: clock.now))
      timeline = session.to_timeline
      next unless timed?(timeline)

      calls = session.to_protocol.calls(session.to_dose)
      expect(by_deck(Windlass::Presenters::Deck.new(session).plan)).to eq(Windlass::Timeline::Cues.of(timeline, calls: calls).map { |cue| [cue.at_ms.round, cue.kind.to_s, cue.hz || 0] }.sort), protocol.id
    end

    expect(compared.size).to be > 8
  end
end
