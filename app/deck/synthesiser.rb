# frozen_string_literal: true

require "open3"

module Windlass
  # Debian's free synthesiser, where it is installed.
  module Synthesiser
    COMMAND = "espeak-ng"
    HEADER_BYTES = 44
    BYTES = 2
    # Words a minute: quicker it is not understood.
    QUICKEST = 260

    # @return [Boolean] it is installed
    def self.there? =
      ENV.fetch("PATH", "").split(File::PATH_SEPARATOR).any? { |folder| File.executable?(File.join(folder, COMMAND)) }

    # @param text [String]
    # @param voice [Spoken::Voices::Voice]
    # @param most_ms [Integer, nil] it is said so quickly that it takes no longer
    # @return [String, nil] samples, 16 bit, {Spoken::Voices::RATE} a second; nil where it said nothing
    def self.render(text, voice, most_ms: nil)
      pace = voice.pace
      loop do
        samples = say(text, voice.options(pace)) or return
        return samples if most_ms.nil? || ms(samples) <= most_ms || pace >= QUICKEST

        pace += 5
      end
    end

    # @return [Integer] how long samples last
    def self.ms(samples) = (samples.bytesize / BYTES * 1000.0 / Spoken::Voices::RATE).ceil

    def self.say(text, options)
      wave, said = Open3.capture2(COMMAND, *options, "--stdout", "--stdin", stdin_data: text, binmode: true)
      wave.byteslice(HEADER_BYTES..) if said.success? && wave.bytesize > HEADER_BYTES
    rescue SystemCallError
      nil
    end
    private_class_method :say
  end
end
