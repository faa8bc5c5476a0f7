# frozen_string_literal: true

# The core of Windlass: the trade's rules and the gas model. Loads alone, without web and database.


require_relative "windlass/value"
require_relative "windlass/errors"
require_relative "windlass/numbers"

require_relative "windlass/physiology/constants"
require_relative "windlass/physiology/lung_volumes"
require_relative "windlass/physiology/levels"
require_relative "windlass/physiology/body"
require_relative "windlass/physiology/blood"
require_relative "windlass/physiology/air"
require_relative "windlass/physiology/state"
require_relative "windlass/physiology/dead_space"
require_relative "windlass/physiology/gas_exchange"
require_relative "windlass/physiology/natural_breathing"
require_relative "windlass/physiology/subject"
require_relative "windlass/physiology/hold_watch"
require_relative "windlass/physiology/trace"
require_relative "windlass/physiology/forecast"
require_relative "windlass/physiology/calibration"
require_relative "windlass/physiology/simulation"

require_relative "windlass/timeline/segment"
require_relative "windlass/timeline/allocation"
require_relative "windlass/timeline/compiled"
require_relative "windlass/timeline/compiler"
require_relative "windlass/timeline/volume_trace"
