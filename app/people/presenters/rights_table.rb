# frozen_string_literal: true

module Windlass
  module Presenters
    # Who may do what: docs/rights.md, made from the rights and from the routes that name them.
    class RightsTable
      LEAD = <<~MARKDOWN
        # Who may do what

        Made by `rake docs:rights`, from the rights in `app/people/policies/rights/` and from the routes that name
        them. `spec/web/rights_spec.rb` walks every route as every role, with what is theirs, another's and nobody's,
        and finds this page out of date. A route that names no right does not start. What is not there and what is not
        yours are answered alike: not found.
      MARKDOWN

      # @return [String] Markdown
      def markdown = [LEAD, rights, sections].join("\n")

      private

      def rights
        rows = Policies::ALL.map { |name, one| "| `#{name}` | #{who(one)} | #{one.words} |" }
        ["| right | who | what it lets them do |", "| --- | --- | --- |", *rows, ""].join("\n")
      end

      def who(policy) = policy.roles.empty? ? "everybody" : policy.roles.join(", ")

      def sections
        Policies::ALL.keys.map { |right| "## `#{right}`\n\n#{routes(right)}\n" }.join("\n")
      end

      def routes(right)
        named = Rights::ROUTES.select { |_, one| one == right }.keys
        named.sort_by { |route| route.split.reverse }.map { |route| "    #{route}" }.join("\n")
      end
    end
  end
end
