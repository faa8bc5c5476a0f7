# frozen_string_literal: true

module Windlass
  module Records
    # A photograph of the note that a session was written in from.
    class Photo < Record
      self.table_name = "photos"
      seals :bytes, lost: "", compress: false
      belongs_to :session
    end
  end
end
