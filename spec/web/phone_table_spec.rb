# frozen_string_literal: true

require "web_helper"

# What lies on a phone for a day without a network refuses no less than the server would, and no more.
RSpec.describe "The days to come, as a phone has them", :web do
  let(:athlete) do
    make_athlete(disciplines: %w[freediving surfing]).tap do |one|
      make_pause(one)
      one.measures.create!(
        account_id: account.id, uuid: SecureRandom.uuid, kind: "maximal_hold", value: 120,
        taken_at: clock.now - 20 * 86_400
      )
    end
  end
  let(:today) { clock.now.to_date }
  let(:gasps) { (1..40).to_h { |round| [round, "gasp"] } }

  def prescribed(*ids) =
    ids.map { |id| Windlass::Actions::Prescribe.call(athlete, Windlass::Protocols.find(id), now: clock.now) }

  # @return [Array<Hash>] as the phone reads them
  def rows
    laid = Windlass::Actions::LaySets.call(athlete, now: clock.now)
    found = Windlass::Presenters::OnPhone.of(laid, athlete, today: today).map(&:to_plain)
    JSON.parse(JSON.generate(found), symbolize_names: true)
  end

  def row_of(prescription, day = today) =
    rows.find { |row| row.values_at(:prescription, :day) == [prescription.id, day.iso8601] }

  def at(hours) = today.to_time + hours * 3600

  # @return [Progression::Ready] as the server says it at that moment
  def ready(prescription, moment)
    standing = prescription.reload.to_standing(on: moment.to_date)
    Windlass::Situations.of([athlete.reload], now: moment).ready(athlete.id, standing)
  end

  # @param ran [Hash{Array(Integer, String) => Time}] ends, by prescription and day
  # @return [Boolean] as the phone reads its table
  def open_by_table?(row, ran, moment, rough: false)
    row[:after].none? do |wait|
      ended = ran.values_at(*wait[:after])
      next if ended.any?(&:nil?) || (wait[:rough] && !rough)

      wait[:until] ? moment.to_date.iso8601 < wait[:until] : moment < ended.max + wait[:for_s]
    end
  end

  # What would be done is undone.
  def thought
    ActiveRecord::Base.transaction(requires_new: true) { @found = yield and raise ActiveRecord::Rollback }
    @found
  end

  # @return [Array] of every pair, at several hours: what server and phone say
  def after_each(all, hour, breaths)
    table = rows
    all.flat_map do |before|
      thought do
        ran = {[before.id, today.iso8601] => run_set(before, at: at(hour), breaths: breaths).reload.ended_at}
        all.product([hour + 2.5, 32, 45.5, 56, 69.9]).filter_map do |later, hours|
          day = at(hours).to_date.iso8601
          row = table.find { |one| one.values_at(:prescription, :day) == [later.id, day] } or next
          [
            [before.protocol, hour, later.protocol, hours], ready(later, at(hours)).go?,
            open_by_table?(row, ran, at(hours), rough: breaths.any?)
          ]
        end
      end
    end
  end

  it "waits after each set as the server does: for hours, for days, and for what did not end calm" do
    all = prescribed("co2-table", "single-hold", "deep-rounds", "small-holds", "loaded-holds")
    said = after_each(all, 9, {}) + after_each(all, 21, {}) + after_each(all.last(1), 9, gasps)
    expect(said.reject { |_, server, phone| server == phone }).to eq []
    expect(said.map { |_, server, _| server }.tally).to match true => be > 200, false => be > 30
  end

  it "knows that a third day running of tables is none, and that two with a day between are no third" do
    table = prescribed("co2-table").sole
    third = row_of(table, today + 2)
    ran = ->(*days) { days.to_h { |day| [[table.id, (today + day).iso8601], at(24 * day + 9)] } }
    expect([ran[0, 1], ran[0], ran[1]].map { |days| open_by_table?(third, days, at(57)) }).to eq [false, true, true]
    [0, 1].each { |day| run_set(table, at: at(24 * day + 9)) }
    expect(third[:after].map { |wait| wait[:words] }).to include(*ready(table, at(57)).reasons.map(&:text))
  end

  it "goes by today's answers as the server does, whatever is said" do
    all = prescribed("small-holds", "quiet-breathing", "deep-rounds")
    table = all.to_h { |one| [one, row_of(one)] }
    Windlass::Progression::TodaysQuestions::ALL.each_key do |answer|
      Windlass::Actions::KeepDay.call(athlete, {answers: [answer.to_s]}, now: clock.now)
      server = all.map { |one| ready(one, clock.now).then { |said| [said.go?, said.reasons.map(&:text)] } }
      phone = all.map { |one| table[one][:answers].fetch(answer, {go: true, words: ""}).values_at(:go, :words) }
      expect(phone.map(&:first)).to eq server.map(&:first)
      phone.zip(server) { |(_, words), (_, texts)| expect(texts.reject { |text| words.include?(text) }).to eq [] }
    end
  end

  it "has a lighter set at hand for a low score of the morning, to the tenth at which the server makes it one" do
    (1..14).each { |ago| make_pause(athlete, 24.0 + ago / 10.0, at: clock.now - ago * 86_400) }
    athlete.measures.where(taken_at: today.to_time..).delete_all
    held, strenuous = prescribed("small-holds", "single-hold")
    light = row_of(held)[:light]
    doses = [0, 0.1].map do |more|
      thought do
        make_pause(athlete, light[:at_most_s] + more, at: at(7))
        ready(held, at(8)).then { |said| [said.state, said.dose, ready(strenuous, at(8)).state] }
      end
    end
    laid = Windlass::Records::LaidSet.find_by!(uuid: light[:path].split("/").last)
    expect([laid.light, Windlass::Records::Record.dose(laid.dose)]).to eq [true, doses[0][1]]
    expect(doses.map { |state, _, other| [state, other] }).to eq [%i[light wait], %i[yes yes]]
    expect(row_of(strenuous)[:light]).to match(at_most_s: light[:at_most_s], words: /Nothing strenuous/)
  end
end
