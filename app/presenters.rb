# frozen_string_literal: true

require_relative "../lib/windlass"

require_relative "presenters/scale"
require_relative "presenters/gas_strips"
require_relative "presenters/breath_line"
require_relative "presenters/control_pause_chart"
require_relative "presenters/ladder_line"
require_relative "presenters/dates"
require_relative "presenters/miniature"
require_relative "presenters/today"
require_relative "presenters/roster"
require_relative "presenters/athlete_sheet"
require_relative "presenters/prescription_sheet"
require_relative "presenters/session_log"
require_relative "presenters/session_sheet"
require_relative "presenters/verdict_panel"
require_relative "presenters/deck"
