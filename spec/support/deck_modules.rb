# frozen_string_literal: true

# The deck's modules by themselves, in the browser that they are written for.
module DeckModules
  # @param script [String] of a function that gets the file as `module`
  # @return what it returns
  def evaluate(script, file)
    page.evaluate_async_script(
      "import('#{Windlass::Assets.path("js/#{file}")}').then(async (module) => { #{script} })" \
        ".then((result) => arguments[0](result), (error) => arguments[0](String(error)))"
    )
  end

  # Runs a script with `run`, `clock`, `events` and `journal` at hand, and `pass`, which lets time go by.
  # @param plan [Hash] of a session, as the deck gets it
  def run_script(script, plan)
    evaluate(<<~JS, "run.js")
      const clock = { ms: 1000, wall: () => clock.ms, at: () => clock.ms };
      const events = [];
      const known = (list) => list.filter((one) => one !== undefined);
      const add = (kind, at, more = {}) => events.push(known([kind, at, more.round, more.value]));
      const journal = { run: null, add };
      const plan = { over: false, ...#{JSON.generate(plan)} };
      const calls = [];
      const run = new module.Run(plan, journal, clock, (byHand) => calls.push(byHand));
      const pass = (ms) => { clock.ms += ms; run.tick(); };
      #{script}
    JS
  end
end

RSpec.configure { |config| config.include DeckModules, :browser }
