# frozen_string_literal: true

require "prawn"
require "prawn/table"

require_relative "papers/paper"
require_relative "papers/card"
require_relative "papers/report"
require_relative "papers/week"
require_relative "papers/clinician_letter"
require_relative "papers/incident_report"
