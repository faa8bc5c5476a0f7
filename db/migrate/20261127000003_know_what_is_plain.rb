# frozen_string_literal: true

# What the judge says of a day may be plain: a clean repeat or a step, with nothing to mind. It can be accepted where it
# stands.
class KnowWhatIsPlain < ActiveRecord::Migration[7.2]
  def change
    add_column :sessions, :proposed_plain, :boolean, null: false, default: false
  end
end
