# frozen_string_literal: true

require "web_helper"

# Days are judged anew together, from a past that is read once. Each alone, as the verdict page asks for it, has to be
# the same.
RSpec.describe "Judging anew", :web, :both_databases do
  let(:athlete) { make_athlete.tap { |one| make_pause(one, 26, at: clock.now - 80 * 86_400) } }
  let(:prescriptions) do
    %w[small-holds quiet-breathing].map do |id|
      Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now)
    end
  end
  let(:random) { Random.new(11) }

  # Some weeks of it, as luck has it: sets, gasps, efforts, a day off, a false start.
  def live(days)
    days
      .downto(1)
      .each do |back|
        at = clock.now - back * 86_400
        next if random.rand < 0.3

        holds = prescriptions.first
        Array.new(1 + random.rand(2)) do
          run_set(
            holds,
            at: at,
            breaths: Array.new(random.rand(4)) { [1 + random.rand(12), %w[deeper gasp].sample(random: random)] }.to_h,
            effort: 1 + random.rand(9)
          )
        end
        run_set(prescriptions.last, at: at) if random.rand < 0.4
      end
  end

  def newest_of_each_day =
    Windlass::Records::Session.kept.in_order.group_by { |one| [one.prescription_id, one.local_date] }.values.map(&:last)

  it "says of each day what it would say of it alone, on decided days and on open ones" do
    live(30)
    newest_of_each_day
      .sample(8, random: random)
      .each do |session|
        verdict = Windlass::Queries::JudgeDay.call(session)
        Windlass::Actions::Decide.call(session, verdict, decided: verdict.verdict.to_s, because: nil, now: clock.now)
      rescue Windlass::Error
        nil
      end
    first = newest_of_each_day.first
    Windlass::Actions::RateSession.call(
      first,
      {effort: 10, symptoms: [], note: "", rounds: {1 => {first_breath: "gasp"}}},
      now: clock.now
    )

    moves = Windlass::Records::Move.kept.index_by { |move| [move.prescription_id, move.local_date] }
    wrong =
      newest_of_each_day.filter_map do |session|
        alone = Windlass::Queries::JudgeDay.call(session.class.find(session.id))
        move = moves[[session.prescription_id, session.local_date]]
        kept = move ? move.verdict_now || move.verdict : session.proposed_verdict
        [session.local_date, kept, alone&.verdict] unless move&.noted || kept == alone&.verdict&.to_s
      end
    expect([moves.size, wrong]).to match [be > 2, []]
  end

  it "reads no more for a day of long ago than for one of yesterday" do
    live(Many::LARGE ? 60 : 25)
    statements =
      lambda do |session|
        count = 0
        [
          Windlass::Records::Session::JUDGED,
          Windlass::Records::AthleteSnapshot::KEPT
        ].each(&:clear)
        counting = ->(*, payload) do
          count += 1 unless %w[SCHEMA TRANSACTION].include?(payload[:name]) ||
            payload[:sql].start_with?("UPDATE", "INSERT")
        end
        ActiveSupport::Notifications.subscribed(counting, "sql.active_record") do
          Windlass::Actions::StoreVerdict.call(session)
        end
        count
      end
    days = newest_of_each_day
    expect(statements.call(days.first)).to be <= statements.call(days.last) + 2
  end

  it "writes nothing where nothing is said otherwise" do
    live(12)
    Windlass::Actions::StoreVerdict.call(newest_of_each_day.first)
    written = []
    ActiveSupport::Notifications.subscribed(
      ->(*, payload) { written << payload[:sql] if payload[:sql].start_with?("UPDATE", "INSERT") },
      "sql.active_record"
    ) { Windlass::Actions::StoreVerdict.call(newest_of_each_day.first) }
    expect(written).to eq []
  end
end
