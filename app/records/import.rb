# frozen_string_literal: true

module Windlass
  module Records
    # A file that is read in behind the page: what it is about, how far it is, how it ended. Its bytes lie beside it in
    # pieces, so that keeping them holds the database for a moment only.
    class Import < Record
      self.table_name = "imports"
      belongs_to :account
      has_many :pieces, -> { order(:number) }, class_name: "Windlass::Records::ImportPiece"

      ENDED = %w[done refused stopped failed].freeze
      PIECE_BYTES = 250_000
      # Nobody asks for it any more.
      FORGOTTEN_S = 86_400
      # As many are taken away at a time.
      PIECES = 20

      # Newest first, as long as somebody may ask for them.
      scope :lately, ->(now) { where(made_at: (now - FORGOTTEN_S)..).order(id: :desc) }

      # @param bytes [String]
      # @return [Import] that waits
      def self.keep(account, kind:, bytes:, about:, now:, person_id: nil)
        create!(account_id: account.id, person_id: person_id, uuid: SecureRandom.uuid, kind: kind, about: about,
          made_at: now).tap do |import|
          (0...bytes.bytesize)
            .step(PIECE_BYTES)
            .with_index do |from, number|
              import.pieces.create!(number: number, bytes: bytes.byteslice(from, PIECE_BYTES))
            end
        end
      end

      # @return [String]
      def bytes = pieces.pluck(:bytes).join

      def ended? = ENDED.include?(state)

      # @param words [String, nil] that are said of it
      # @param path [String, nil] where it leads
      def end_as(state, now:, words: nil, path: nil)
        update!(state: state, ended_at: now, result: result.merge({"words" => words, "path" => path}.compact))
        forget
      end

      # Its bytes go, some at a time.
      def forget = pieces.pluck(:id).each_slice(PIECES) { |some| ImportPiece.where(id: some).delete_all }

      # @return [Boolean] it is stopped, or will be with its next step; what is visible already can not be
      def stop = self.class.where(id: id, state: %w[waiting working asks]).update_all(state: "stopping").positive?
    end
  end
end
