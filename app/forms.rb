# frozen_string_literal: true

require_relative "../lib/windlass"
require_relative "actions"
require_relative "../lib/windlass/formats"

require_relative "forms/form"
require_relative "forms/athlete_form"
require_relative "forms/control_pause_form"
require_relative "forms/journal_form"
require_relative "forms/rating_form"
require_relative "forms/decision_form"
require_relative "forms/clearance_form"
require_relative "forms/bench_form"
require_relative "forms/screening_form"
require_relative "forms/screening_clearance_form"
