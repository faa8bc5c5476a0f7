# frozen_string_literal: true

module Windlass
  module Records
    # Who did what to whom, when, and from which device: ids and kinds alone. The database lets nobody change or remove
    # one.
    class TraceEntry < Record
      self.table_name = "trace_entries"
    end
  end
end
