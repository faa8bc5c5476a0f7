# frozen_string_literal: true

module Windlass
  # What lists itself: each file of a folder defines one thing of a kind, and nothing else has to name it.
  module Listed
    # @param folder [String] under lib/windlass: `progression/rules`; or a whole path, with the loader of its files
    # @param kind [Class, Module] of each; a subclass counts
    # @return [Array] what the files define, by the alphabet
    # @raise [Error] where a file defines something else: it would be in no list, and nobody would notice
    def self.in(folder, kind, loader: LOADER)
      Dir[File.join(File.expand_path(folder, __dir__), "*.rb")].sort.map do |file|
        name = loader.cpath_expected_at(file)
        found = Object.const_get(name)
        next found if found.is_a?(kind) || (found.is_a?(Class) && found < kind)

        raise Error, "#{name} is no #{kind}, and #{folder} lists nothing else"
      end
    end
  end
end
