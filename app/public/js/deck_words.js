// What the deck says of the part that runs, and of the one that comes next.
import { clockWords } from "./clock.js";

/** What is left to wait for or to count: beats, breaths, repetitions, or time; upward where a hand ends it. */
export function figureOf(run) {
  const { ends, beats, ms, repetitions } = run.segment;
  if (beats && ends === "clock") return String(Math.max(1, Math.ceil((run.left * beats) / ms - 1e-6)));
  if (ends === "count") return String(run.breathsLeft);
  if (repetitions) return `${repetitions} ×`;
  return ends === "clock" ? clockWords(run.left) : clockWords(Math.floor(run.elapsed / 1000) * 1000);
}

export function mainWordOf(run) {
  if (run.holding) return "Release";
  if (run.segment.ends === "count" && run.breathsLeft > 1) return "A breath";
  return run.segment.ends === "hand" ? "Done" : "Next";
}

/** What ends it, where the clock does not. */
export function endWords({ ends, ms }) {
  if (ends === "cap") return `At most ${clockWords(ms)}, a limit and no target. `;
  return "";
}

/** How long the next part is: in what it is counted in, or in seconds where it is a hold. */
export function lengthWords({ kind, ends, ms, breaths, beats }) {
  if (breaths) return `, ${breaths}`;
  if (beats) return `, ${beats} beats`;
  if (kind !== "hold") return "";
  return ends === "clock" ? `, ${ms / 1000} s` : "";
}
