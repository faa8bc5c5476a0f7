# frozen_string_literal: true

require "ipaddr"

module Windlass
  # The page of five: one press each. It is there where the database says that it is the demo, where bin/demo started
  # it, and for who sits at this machine.
  module DemoPeople
    # login => what they are.
    ALL = {
      "maren" => "keeper of the house, and coach of everybody",
      "tobias" => "coach of the choir",
      "lene" => "assistant of the choir: runs sessions, decides nothing",
      "ines" => "an athlete, on their own page",
      "jonte" => "trains alone: coach and athlete at once"
    }.freeze
    LOCAL = [IPAddr.new("127.0.0.0/8"), IPAddr.new("::1")].freeze

    # @param request [Rack::Request]
    def self.open?(request)
      Security.on?("WINDLASS_DEMO") && LOCAL.any? { |net| net.include?(IPAddr.new(request.ip)) } &&
        Records::Account.first&.demo
    rescue IPAddr::Error
      false
    end

    # @return [Array<Array(String, String, String)>] sign-in name, name, and what they are
    def self.named
      names = Records::Person.open.where(login: ALL.keys).pluck(:login, :name).to_h
      ALL.filter_map { |login, words| [login, names[login], words] if names[login] }
    end

    # @return [String, nil] of one of the five, never of anybody else
    def self.login(name) = (name if ALL.key?(name))
  end
end
