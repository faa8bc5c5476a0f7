# frozen_string_literal: true

# Values as specs need them: everything usual, and only what matters said.
module Builders
  MONDAY = Date.new(2026, 3, 2)

  def body(**changes)
    Windlass::Physiology::Body.new(sex: :male, age: 30, height_cm: 178, mass_kg: 75, **changes)
  end

  def control_pause(seconds = 24.0, on: MONDAY, hour: 7, **changes)
    Windlass::Measures::ControlPause.new(
      seconds: seconds,
      taken_at: Time.new(on.year, on.month, on.day, hour),
      on_waking: true,
      ended_by: :diaphragm,
      first_breath: :calm,
      **changes
    )
  end

  def measures(control_pause_s = 24.0, **changes)
    Windlass::Measures::Values.new(control_pause_s: control_pause_s, **changes)
  end

  def small_holds = Windlass::Protocols.find("small-holds")

  def standing(rung = 0, control_pause_s: 24.0)
    Windlass::Progression::Standing.of(small_holds, measures(control_pause_s)).at(rung)
  end

  # A whole day of small holds at a rung, clean unless something is changed.
  # @param breaths [Hash{Integer => Symbol}] first breaths that were not smooth, by round
  # @param held [Hash{Integer => Float}] holds that were not as planned, by round
  def day(on: MONDAY, rung: 0, breaths: {}, held: {}, rounds: nil, **changes)
    dose = standing(rung).dose
    count = rounds || small_holds.rounds(dose)
    done =
      (1..count).map do |number|
        Windlass::Progression::Round.new(
          number: number,
          target_s: dose[:hold_s],
          held_s: held.fetch(number, dose[:hold_s]),
          first_breath: breaths.fetch(number, :smooth)
        )
      end
    Windlass::Progression::Session.new(
      id: on.jd,
      date: on,
      protocol: "small-holds",
      dose: dose,
      effort: 4,
      rounds: done,
      rounds_planned: small_holds.rounds(dose),
      **changes
    )
  end

  def judge(session, history: [], rung: 0)
    Windlass::Progression::Judge.judge(session, history: history, standing: standing(rung))
  end
end
