# frozen_string_literal: true

require_relative "../lib/windlass"
require_relative "database"

require_relative "records/record"
require_relative "records/account"
require_relative "records/athlete"
require_relative "records/measure"
require_relative "records/prescription"
require_relative "records/session"
require_relative "records/round"
require_relative "records/journal_event"
require_relative "records/move"
require_relative "records/suspension"
require_relative "records/screening"
require_relative "forecasts"
require_relative "oximeters"
