# frozen_string_literal: true

module Windlass
  module Spoken
    # What the body does in one part, as far as it can be told in words.
    # @param base [String] `in`, `half out`, `hold`, `belly`
    # @param side [Symbol, nil] :left, :right
    # @param way [Symbol, nil] :nose, :mouth
    # @param narrowed [Boolean]
    # @param level [Symbol, nil] of a hold: :full, :empty
    # @param locks [Array<Symbol>]
    Deed =
      Value.define(:kind, :base, side: nil, way: nil, narrowed: false, level: nil, locks: [].freeze) do
        # @param place [Timeline::Compiled::Placed]
        # @param lungs [Symbol] :full or :empty, as they are when it begins
        def self.of(place, lungs)
          segment = place.segment
          new(
            kind: segment.kind,
            base: Deed.base(segment),
            side: (segment.route if Deed::SIDES.include?(segment.route)),
            way: (segment.route if Deed::WAYS.include?(segment.route)),
            narrowed: segment.narrowed == true,
            level: (lungs if segment.hold? && !segment.midway),
            locks: segment.locks.to_a.map(&:to_sym).freeze
          )
        end

        def self.base(segment)
          return segment.told if segment.told

          case segment.kind
          when :inhale
            Deed::FULLER[Deed.depth(segment)] || "in"
          when :exhale
            Deed::SOUNDS[segment.sound] || Deed::FURTHER[segment.to] || "out"
          when :hold
            "hold"
          else
            Deed.breathing(segment)
          end
        end

        # What the body needs of a breath is no depth that anybody would name.
        def self.depth(segment) = (segment.to if segment.depth.nil?)

        def self.breathing(segment)
          return "wait" if segment.until == :word
          return "go" if segment.repetitions

          (segment.route == :both) ? "hand down" : "breathe"
        end

        # @return [Array] what tells it from others, of the facets that differ anywhere
        def key(facets) = [base, *facets.map { |facet| public_send(facet) }]
      end

    # Constants of {Deed}: a value's block has none of its own.
    class Deed
      SIDES = %i[left right].freeze
      WAYS = %i[nose mouth].freeze
      FULLER = {full: "full breath", big: "big breath"}.freeze
      FURTHER = {residual: "complete, out", big: "short out"}.freeze
      SOUNDS = {hiss: "hiss", blow: "blow", shush: "shh", note: "sing"}.freeze
      # One word for what has several.
      SHORT = {
        "half out" => "half", "complete, out" => "complete", "short out" => "short", "big breath" => "big",
        "full breath" => "fully", "medium breath" => "medium", "recovery breath" => "recovery", "sniff in" => "sniff",
        "belly, ribs, back" => "belly", "belly, ribs, chest" => "belly", "in, narrowed" => "narrowed",
        "belly, throat narrowed" => "throat", "chest, throat narrowed" => "throat",
        "collarbones, throat narrowed" => "throat", "belly, audible" => "belly",
        "chest, audible" => "chest", "collarbones, audible" => "collarbones"
      }.freeze
      # In the order in which they are said.
      FACETS = %i[side way narrowed level locks].freeze
    end
  end
end
