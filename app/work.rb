# frozen_string_literal: true

# Everything that works behind the pages, without the pages.
require_relative "imports"
require_relative "presenters"
require_relative "fault_log"
require_relative "error_pages"
require_relative "worker"
