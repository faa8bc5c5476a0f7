# frozen_string_literal: true

module Windlass
  module Presenters
    # A number of a dose in the composer. unset: what is true where nothing is chosen.
    ComposerRow =
      Value.define(:parameter, :name, :id, :typed, :fault, :hint, :findings, :unset) do
        def step = parameter.step

        def min = parameter.range&.begin

        def max = parameter.range&.end

        # @return [Hash] values and words to choose from; nothing chosen is among them where a dose may do without
        def options = parameter.options && (parameter.unset ? {"" => unset} : {}).merge(parameter.options)
      end
  end
end
