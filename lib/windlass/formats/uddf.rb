# frozen_string_literal: true

require "nokogiri"
require "time"

module Windlass
  module Formats
    # Dives as UDDF 3.2.2, from memory of its elements: breath-hold dives have a moment, a greatest depth, a duration,
    # and the interval since the one before.
    module Uddf
      VERSION = "3.2.2"
      NAMESPACE = "http://www.streit.cc/uddf/3.2/"
      MOST_BYTES = 8_000_000
      MOST_DIVES = 10_000

      # @param name [String] of the diver
      # @param dives [Array<Water::Dive>] in order of time
      # @return [String] XML
      def self.write(name, dives)
        Nokogiri::XML::Builder
          .new(encoding: "UTF-8") do |xml|
            xml.uddf(xmlns: NAMESPACE, version: VERSION) do
              xml.generator { xml.name("Windlass") }
              first, _, last = name.rpartition(" ")
              xml.diver do
                xml.owner(id: "owner") do
                  xml.personal do
                    xml.firstname(first.empty? ? last : first) && (xml.lastname(last) unless first.empty?)
                  end
                end
              end
              xml.profiledata do
                xml.repetitiongroup(id: "group") do
                  dives.each_with_index { |dive, index| dive(xml, dive, index, index.zero? ? nil : dives[index - 1]) }
                end
              end
            end
          end
          .to_xml
      end

      def self.dive(xml, dive, index, before)
        xml.dive(id: "dive#{index + 1}") do
          xml.informationbeforedive do
            xml.datetime(dive.down.iso8601)
            xml.surfaceinterval { before ? xml.passedtime((dive.down - before.up).round(1)) : xml.infinity }
          end
          xml.informationafterdive do
            xml.greatestdepth(dive.depth_m) if dive.depth_m
            xml.diveduration(dive.seconds)
          end
        end
      end

      # @param bytes [String]
      # @return [Array<Water::Dive>] in order of time
      # @raise [InvalidInput] a line a fault
      def self.read(bytes)
        if bytes.bytesize > MOST_BYTES
          raise InvalidInput, ["file: #{bytes.bytesize} bytes are too many; allowed: #{MOST_BYTES}"]
        end
        if bytes.b.match?(/<!(DOCTYPE|ENTITY)/i)
          raise InvalidInput, ["file: has a document type or entities of its own; allowed: none"]
        end

        document = Nokogiri.XML(bytes) { |config| config.strict.nonet }
        raise InvalidInput, ["file: is no UDDF; allowed: a uddf element"] unless document.root&.name == "uddf"

        dives_of(document.remove_namespaces!.xpath("//dive"))
      rescue Nokogiri::XML::SyntaxError => error
        raise InvalidInput,
          [
            "#{error.line.to_i.positive? ? "line #{error.line}" : "file"}: is not XML " \
            "(#{error.message.sub(/\A\d+:\d+: \w+: /, "")[0, 120]})"
          ]
      end

      def self.dives_of(nodes)
        raise InvalidInput, ["file: #{nodes.size} dives; allowed: up to #{MOST_DIVES}"] if nodes.size > MOST_DIVES

        faults = []
        dives = nodes.map { |node| one(node, faults) }
        raise InvalidInput, faults.first(20) if faults.any?

        dives.sort_by(&:down)
      end

      def self.one(node, faults)
        down = moment(node.at_xpath("informationbeforedive/datetime")&.text)
        seconds, depth_m =
          %w[diveduration greatestdepth].map do |name|
            Float(node.at_xpath("informationafterdive/#{name}")&.text.to_s, exception: false)
          end
        faults << "line #{node.line}: datetime is missing, or no moment" unless down
        if down && down.to_date < Bounds::EARLIEST
          faults << "line #{node.line}: datetime #{down.iso8601} is not allowed; allowed: from #{Bounds::EARLIEST} on"
        end
        unless seconds && Water::SECONDS.cover?(seconds)
          faults << "line #{node.line}: diveduration #{seconds.inspect} is not allowed; allowed: " \
            "#{Water::SECONDS.min} to #{Water::SECONDS.max} s"
        end
        if depth_m && !Water::DEPTH_M.cover?(depth_m)
          faults << "line #{node.line}: greatestdepth #{depth_m} is not allowed; allowed: #{Water::DEPTH_M.min} to " \
            "#{Water::DEPTH_M.max} m"
        end
        Water::Dive.new(down: down, seconds: seconds, depth_m: depth_m)
      end

      def self.moment(text) =
        Bounds.moment(text.to_s.match?(/(Z|[+-]\d{2}:\d{2})\z/) ? text : "#{text}#{Time.now.strftime("%:z")}")
      private_class_method :dive, :dives_of, :one, :moment
    end
  end
end
