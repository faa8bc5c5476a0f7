# frozen_string_literal: true

module Windlass
  module Formats
    module OwnProtocol
      # On which line a path stands.
      class Lines
        # @param root [Psych::Nodes::Node]
        def self.of(root) = new({}.tap { |lines| walk(root, "", lines) })

        def self.walk(node, path, lines)
          lines[path] ||= node.start_line + 1
          case node
          when Psych::Nodes::Mapping
            node
              .children
              .each_slice(2) do |key, value|
                # What is no name (a list, a mapping) stands for itself; the schema refuses it.
                inner = [path, key.is_a?(Psych::Nodes::Scalar) ? key.value : "?"].reject(&:empty?).join(".")
                lines[inner] = key.start_line + 1
                walk(value, inner, lines)
              end
          when Psych::Nodes::Sequence
            node.children.each_with_index { |child, index| walk(child, "#{path}[#{index}]", lines) }
          end
        end
        private_class_method :walk

        def initialize(lines)
          @lines = lines
        end

        # Of what is missing: the line of what it is missing in.
        def line(path) = @lines[path] || @lines[path[/\A(.*)[.\[]/, 1] || ""] || 1
      end
    end
  end
end
