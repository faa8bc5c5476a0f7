# frozen_string_literal: true

require "web_helper"
require "socket"
require "tmpdir"

# A long file is made at its own pace and sent at its reader's: nobody waits for somebody who reads slowly.
RSpec.describe Windlass::Download do
  # More than any socket holds.
  parts = Array.new(400) { |number| "#{number} ".ljust(20_000, "x") }.freeze

  def ends = Socket.pair(:UNIX, :STREAM)

  def take(socket, **how, &making) = described_class.new(socket, chunked: true, **how, &making).begin

  def files = Dir[File.join(Dir.tmpdir, "windlass-download*")]

  # What a reader makes of it that knows the protocol.
  def unchunked(text)
    whole = +""
    until (size = text.slice!(/\A\h+\r\n/).to_i(16)).zero?
      whole << text.slice!(0, size + 2).delete_suffix("\r\n")
    end
    whole
  end

  it "is made while its reader takes nothing, then comes whole, and leaves nothing behind" do
    ours, theirs = ends
    before = files
    maker, sender = take(ours) { |out| parts.each { |part| out << part } }
    expect([maker.join(10), sender.alive?, (files - before).size]).to eq [maker, true, 1]

    text = theirs.read
    sender.join
    expect([unchunked(text) == parts.join, text, files - before]).to eq [true, "\r\n", []]
  end

  it "does not look whole where something failed in the middle, and is made no further for nobody" do
    ours, theirs = ends
    expect { take(ours) { |out| (out << "half") && raise("fault") }.each(&:join) }.to output(
      /fault in a download\nRuntimeError: fault/
    ).to_stderr
    expect(theirs.read).to eq "4\r\nhalf\r\n"

    ours, theirs = ends
    theirs.close
    made = 0
    take(ours) { |out| parts.each { |part| (out << part) && made += sleep(0.001) } }.each(&:join)
    expect(made).to be < parts.size
  end

  it "waits so long and no longer" do
    stub_const("Windlass::Download::IDLE_S", 0.1)
    ours, _theirs = ends
    threads = take(ours) { |out| parts.each { |part| out << part } }
    expect(threads.map { |thread| thread.join(10) }).to eq threads
  end
end
