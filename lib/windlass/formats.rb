# frozen_string_literal: true

require_relative "../windlass"

# What is read and written. Loaded apart from the core: it needs gems.
require_relative "formats/json_input"
require_relative "formats/parts"
require_relative "formats/simulation/reader"
require_relative "formats/situation_reader"
require_relative "formats/tones"
require_relative "formats/practice_wav"
require_relative "formats/beat_midi"
require_relative "formats/table_csv"
require_relative "formats/notebook_csv"
require_relative "formats/holds_csv"
require_relative "formats/measures_csv"
require_relative "formats/dives_csv"
require_relative "formats/tables"
require_relative "formats/uddf"
require_relative "formats/csv_out"
require_relative "formats/log_csv"
require_relative "formats/hiss_levels"
require_relative "formats/own_protocol/reader"
require_relative "formats/oximeter_csv/reader"
