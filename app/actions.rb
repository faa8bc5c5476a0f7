# frozen_string_literal: true

require_relative "records"

# What a coach does that changes something: one deed a file, values in, records changed in one transaction.
require_relative "actions/keep_athlete"
require_relative "actions/keep_screening"
require_relative "actions/take_control_pause"
require_relative "actions/keep_day"
require_relative "actions/take_measure"
require_relative "actions/keep_own_protocol"
require_relative "actions/prescribe"
require_relative "actions/plan_session"
require_relative "actions/learn_from_log"
require_relative "actions/keep_journal"
require_relative "actions/read_oximeter_trace"
require_relative "actions/judge_day"
require_relative "actions/propose"
require_relative "actions/rate_session"
require_relative "actions/end_session"
require_relative "actions/decide"
require_relative "actions/take_back"
require_relative "actions/clear_stop"
