# frozen_string_literal: true

module Windlass
  module Archive
    # Sessions: an archive has each with its plan, whose place in the database is the database's own affair.
    class SessionTable < Table
      PLAN = Value.define(:name, :type, :null).new(name: "segments", type: :json, null: false)

      def columns = @columns ||= super.map { |column| (column.name == "timeline_id") ? PLAN : column }

      def read(found)
        names = columns.map { |column| column.equal?(PLAN) ? "timeline_id" : column.name }
        rows = found.pluck(*names).map { |values| names.zip(values).to_h }
        plans = Records::KeptTimeline.where(id: rows.map { |row| row["timeline_id"] }.uniq).pluck(:id, :segments).to_h
        rows.map { |row| row.except("timeline_id").merge(PLAN.name => plans.fetch(row["timeline_id"])) }
      end

      def kept(rows)
        ids = Records::KeptTimeline.keep(rows.map { |row| row.fetch(PLAN.name) })
        rows.map { |row| row.except(PLAN.name).merge("timeline_id" => ids.fetch(row.fetch(PLAN.name))) }
      end

      # @return [Boolean] bytes, which are written as base64
      def binary?(name) = name != PLAN.name && super
    end
  end
end
