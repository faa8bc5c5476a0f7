# frozen_string_literal: true

module Windlass
  module Records
    # What an athlete felt and told by themselves, until a coach has seen it.
    class Complaint < Record
      self.table_name = "complaints"
      belongs_to :athlete

      scope :unseen, -> { where(seen_at: nil) }

      # @return [String] `chest pain, strong`
      def in_words =
        "#{Progression::Symptoms::ALL.fetch(symptom.to_sym)}, #{Progression::Symptoms::STRENGTHS.fetch(strength)}"
    end
  end
end
