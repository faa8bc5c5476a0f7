# frozen_string_literal: true

require "browser_helper"

# Every family of the library, from its first cue to its last: hands-free, with a press only where a hand has to say
# when.
RSpec.describe "Every family on the deck", :browser do
  before do
    give_clock
    athlete.measures.create!(
      account_id: 1,
      uuid: SecureRandom.uuid,
      kind: "maximal_hold",
      value: 120,
      taken_at: WebHelpers::NOON - 40 * 86_400,
      details: {}
    )
  end

  let(:athlete) { make_athlete(disciplines: ["surfing"]).tap { |one| make_pause(one, 25) } }

  # Lets time pass, presses where the clock does not go on by itself, until it is done.
  def run_to_the_end(presses)
    key(:space)
    (presses + 1).times do
      pass(presses.zero? ? 3600 : 300)
      sleep 0.06
      break if page.has_css?("a.key-main", wait: 0)
      key(:space)
    end
    expect(page).to have_css(".centre", text: "Done")
    # A busy machine takes its time.
    expect(page).to have_text("Saved", wait: 20)
  end

  blocks =
    Windlass::Protocols.dose(
      {
        blocks: [
          {protocol: "hiss-ladder", dose: {top_beats: 8, tempo: 69}, after: "wait"},
          {protocol: "ratio", dose: {pattern: [4, 2, 4, 0], count_s: 1, rounds: 2}, repeats: 2, after: 20},
          {protocol: "quiet-breathing", dose: {in_s: 3, out_s: 6, minutes: 1}}
        ]
      }
    )

  [*Windlass::Protocols::ALL, Windlass::Protocols.find("blocks").bound(blocks)].each do |protocol|
    it "runs #{protocol.id} to its end and keeps every hold" do
      own = Windlass::Actions::Prescribe::Composed.new(to_dose: blocks) if protocol.is_a?(Windlass::Protocols::Blocks)
      prescription = Windlass::Actions::Prescribe.call(athlete, protocol, now: clock.now, own: own)
      athlete.days.create!(account_id: 1, local_date: clock.now.to_date, watcher: "Ada Quill")
      session = plan(prescription)
      waiting = session.to_timeline.segments.count(&:until)
      put_on_deck("/sessions/#{session.uuid}/deck")
      run_to_the_end(waiting)

      held = session.reload.rounds
      expect(session.state).to eq "done"
      expect(held.count).to session.to_timeline.own_pace? ? be >= 2 : eq(session.parts.size)
      expect(held.map(&:held_ms)).to all(be > 0)
      expect(held.select(&:target_ms)).to all(satisfy { |round| round.held_ms == round.target_ms })
    end
  end
end
