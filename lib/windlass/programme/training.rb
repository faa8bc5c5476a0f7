# frozen_string_literal: true

module Windlass
  module Programme
    # What is prescribed, so many times a week. standing: nil where nothing is offered, and then refusal says why.
    # activity: what readiness is asked about. clean: sessions that verdicts have counted towards the next step already.
    Training =
      Value.define(:key, :protocol, :standing, :times, :refusal, :activity, :clean) do
        def initialize(
          key:,
          protocol:,
          standing:,
          times:,
          refusal: nil,
          clean: 0,
          activity: protocol.is_a?(Progression::Activity) ? protocol : protocol.bound(standing&.dose)
        )
          super
        end

        def places = protocol.is_a?(Progression::Activity) ? TEST_PLACES : protocol.places

        def test? = protocol == Progression::MAXIMAL_TEST

        def name = protocol.name
      end
  end
end
