# frozen_string_literal: true

module Windlass
  module Records
    # Some of the bytes of a file that is read in.
    class ImportPiece < Record
      self.table_name = "import_pieces"
    end
  end
end
