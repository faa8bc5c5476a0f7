// What the deck says of the part that runs, and of the one that comes next.
import { clockWords } from "./clock.js";

/** All that a screen shows of a run, alone, in a row beside others, or on a second screen. */
export function shown(run, plan) {
  if (run.over)
    return { ...overWords(run), own: "", place: "", figure: clockWords(run.state.overAt ?? 0), mainWord: "" };
  if (!run.started)
    return { cue: "Ready", own: "", next: "", place: "", figure: clockWords(plan.total_ms), mainWord: "Start" };
  const after = run.quiet || run.segment.silent ? undefined : plan.segments[run.state.index + (run.waiting ? 0 : 1)];
  return {
    cue: cueOf(run),
    own: beside(run),
    place: placeWords(run),
    figure: figureOf(run),
    mainWord: run.paused ? "Go on" : mainWordOf(run),
    next: `${run.waiting ? "" : endWords(run.segment)}${reliefWords(run)}${afterWords(after, run.segment)}`,
  };
}

const reliefWords = (run) => (run.holding && run.segment.relief ? `${run.segment.relief} ` : "");

function afterWords(after, { silent }) {
  if (after) return `Then: ${after.cue.toLowerCase()}${lengthWords(after)}`;
  return silent ? "Only the time is called" : "Then it is done";
}

function cueOf(run) {
  if (run.paused) return "Paused";
  return run.waiting ? "It begins in" : run.segment.cue;
}

/** What is called just now, or else the coach's own words: never in place of the cue. */
function beside(run) {
  return run.paused || run.waiting || run.quiet ? "" : (run.call ?? run.segment.own ?? "");
}

/** What is left to wait for or to count: beats, breaths, repetitions, or time; upward where a hand ends it. */
function figureOf(run) {
  if (run.waiting) return clockWords(-run.now());
  const { ends, beats, repetitions, exhale, silent } = run.segment;
  if (silent) return clockWords(Math.max(0, run.paceLeft));
  if (beats && ends === "clock" && goesUp(run, exhale !== undefined))
    return String(Math.min(beats, Math.floor((run.elapsed * beats) / run.plannedMs(run.state.index)) + 1));
  if (beats && ends === "clock")
    return String(Math.max(1, Math.ceil((run.left * beats) / run.plannedMs(run.state.index) - 1e-6)));
  if (ends === "count" || (repetitions && run.handsFree)) return String(run.breathsLeft);
  if (repetitions) return `${repetitions} ×`;
  return ends === "clock" && !goesUp(run, false)
    ? clockWords(run.left)
    : clockWords(Math.floor(run.elapsed / 1000) * 1000);
}

/** Figures go up or down as the discipline does, or as somebody chose. */
function goesUp(run, usually) {
  return run.figures === "up" || (usually && run.figures !== "down");
}

function mainWordOf(run) {
  if (run.waiting) return "Begin now";
  if (run.segment.silent) return "";
  if (run.holding) return "Release";
  if (run.sounding) return "It ended";
  if (run.handsFree && run.timed) return "Next";
  if (run.segment.ends === "count" && run.breathsLeft > 1) return "A breath";
  return ["hand", "comfort"].includes(run.segment.ends) ? "Done" : "Next";
}

/** What ends it, where the clock does not. */
function endWords({ ends, ms, at_most_ms: atMost }) {
  if (ends === "clock") return "";
  if (ends === "comfort") return `About ${clockWords(ms)}, or until you mark its end. `;
  if (ends === "cap") return `Limit ${clockWords(ms)}. Do not aim for it. `;
  if (atMost) return `Ends by itself at ${clockWords(atMost)}. `;
  return "";
}

/** How long the next part is: in what it is counted in, or in seconds where it is a hold. */
function lengthWords({ kind, ends, ms, breaths, beats }) {
  if (breaths) return `, ${breaths}`;
  if (beats) return `, ${beats} beats`;
  if (kind !== "hold") return "";
  return ends === "clock" ? `, ${ms / 1000} s` : "";
}

/** Where we are: the block, the round, and at one's own pace the time that is left. */
function placeWords(run) {
  if (run.quiet || run.waiting) return "";
  const { block, round, phase } = run.segment;
  const rounds = run.rounds.get(block);
  const left = run.ownPaceMs !== null ? `${clockWords(run.ownPaceMs - run.now())} left` : null;
  const place =
    round && rounds > 1 && phase !== "settle" && run.ownPaceMs === null ? `round ${round} of ${rounds}` : null;
  return [block, place, left].filter(Boolean).join(" · ");
}

/** What is asked once it is over, and what is left to say. */
function overWords(run) {
  const open = run.unrated;
  const done = run.state.finished ? "Done" : "Stopped";
  const left = open.length === 1 ? "One first breath is" : `${open.length} first breaths are`;
  if (open.length)
    return {
      cue: `How was the first breath after hold ${open[0]}?`,
      next: `${done}. ${left} not rated. Leave blank if unseen.`,
    };
  return { cue: done, next: run.rated === null ? "" : "You can still rate the last first breath." };
}
