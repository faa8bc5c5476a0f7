# frozen_string_literal: true

$LOAD_PATH.unshift File.expand_path("../lib", __dir__)
require "json"
require "windlass"

Dir[File.expand_path("support/*.rb", __dir__)].sort.each { |file| require file }

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.expect_with(:rspec) { |expectations| expectations.syntax = :expect }
  config.mock_with(:rspec) { |mocks| mocks.verify_partial_doubles = true }
  config.example_status_persistence_file_path =
    File.expand_path("../tmp/examples#{ENV["WINDLASS_TEST_LANE"]&.then { |lane| "-#{lane}" }}.txt", __dir__)
  config.include Builders
  config.include ModelHelpers
  Kernel.srand config.seed
end
