# frozen_string_literal: true

# The gas model as specs ask it.
module ModelHelpers
  def timeline(&pen) = Windlass::Timeline::Compiler.compile(&pen)

  def model(of = body, **options) = Windlass::Physiology::Model.new(of, control_pause_s: 25, **options)

  # @return [Windlass::Physiology::HoldForecast] the last hold of what is written
  def last_hold(on = model, &pen) = on.forecast(timeline(&pen).segments).holds.last

  def subject_at_rest(of = body, **options) = Windlass::Physiology::Subject.rested(of, **options)

  # Full breaths before whatever comes next.
  def over_breathe(line, breaths = 30)
    breaths.times do
      line.inhale(1.6, to: :big)
      line.exhale(1.6, to: :passive)
    end
  end
end
