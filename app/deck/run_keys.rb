# frozen_string_literal: true

module Windlass
  # The key of a run: whose deck it is, and on which phone. It lies with the deck on its device and sends marks without
  # a sign-in, as long as they were made while that person might make them. It allows nothing else.
  class RunKeys < SignedLinks
    KEY = /\A(?<made_s>\d{1,12})-(?<device>\d{1,15})-#{SIGNATURE}\z/
    # A deck lies a week on a phone; what was marked in it has a fortnight to come home.
    GOOD_DAYS = 7 + 14

    # person: who runs it. device: their phone, where it is bound.
    Holder = Value.define(:person, :device) do
      # @param moment [Time]
      # @return [Array<Records::Role>] by which they might make marks then
      def roles_at(moment) = (device&.revoked_at && device.revoked_at < moment) ? [] : person.roles_at(moment)
    end

    # @param secret [String] of the house
    # @param device [Records::Device, nil] on which keys are to lie
    # @param at [Time]
    def initialize(secret, maker: nil, device: nil, at: nil)
      super(secret, maker: maker)
      @named = "#{at.to_i}-#{device&.id.to_i}"
    end

    # @param session [Records::Session, Records::LaidSet]
    # @return [String]
    def key(session) = "#{@named}-#{signed(words(session, @named))}"

    # @param text [String, nil] as the deck sends it
    # @return [Holder, nil] nil: it is none of this run, or too old
    def holder(session, text, now:)
      match = text.to_s.scrub.match(KEY) or return
      return unless ours?(match, words(session, "#{match[:made_s]}-#{match[:device]}"))
      return if now - Time.at(match[:made_s].to_i) > GOOD_DAYS * 86_400

      person = Records::Person.find_by(id: match[:maker].to_i) or return
      Holder.new(person: person, device: Records::Device.find_by(id: match[:device].to_i))
    end

    private

    def words(session, named) = "run #{session.keyed} #{named}"
  end
end
