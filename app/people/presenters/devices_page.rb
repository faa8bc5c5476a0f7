# frozen_string_literal: true

require "rqrcode"

module Windlass
  module Presenters
    # An athlete's own phones: which are bound, and a link that binds another one.
    class DevicesPage
      Row = Value.define(:id, :name, :words)

      attr_reader :athlete, :link

      # @param link [String, nil] address of a link that was made just now
      def initialize(athlete, now:, link: nil)
        @athlete = athlete
        @now = now
        @link = link
      end

      # @return [Array<Row>] bound ones, and links that nobody has pressed yet
      def rows = (bound + waiting).map { |one| Row.new(id: one.id, name: name(one), words: words(one)) }

      # @return [String] markup, to be read by the phone's camera: on white, with a rim, whatever the theme
      def qr = RQRCode::QRCode.new(link).as_svg(
        module_size: 4, offset: 16, fill: "ffffff", use_path: true, viewbox: true
      )

      private

      def bound = Records::Device.bound.where(athlete_id: athlete.id).order(:id).to_a

      def waiting =
        Records::Device.where(athlete_id: athlete.id, bound_at: nil, revoked_at: nil).where("ends_at > ?", @now).to_a

      def name(one) = one.bound_at ? one.name : "A link"

      def words(one)
        return "bound on #{day(one.bound_at)}" if one.bound_at

        "made on #{day(one.made_at)}, not pressed yet; good until #{day(one.ends_at)}"
      end

      def day(moment) = Words.date(moment.getlocal.to_date)
    end
  end
end
