// Several lanes over one clock. Knows no screen. Which lane a key is for: the one that was chosen by its letter, until
// its next mark; first breaths otherwise go to the oldest that nobody rated, everything else to the lane in focus.
import { COUNT_IN_MS } from "./lane.js";

export class SquadRun {
  /** @param onTheWord each lane begins by its own key, and not by its start */
  constructor(lanes, onTheWord) {
    this.lanes = lanes;
    this.onTheWord = onTheWord;
    this.focus = 0;
    this.chosen = null;
    this.who = null;
    this.pending = [];
  }

  get runs() {
    return this.lanes.map(({ run }) => run);
  }
  get lane() {
    return this.lanes[this.focus];
  }
  get begun() {
    return this.runs.some((run) => run.started);
  }
  get live() {
    return this.runs.some((run) => run.live);
  }
  get over() {
    return this.runs.every((run) => run.over);
  }
  tick() {
    for (const run of this.runs) run.tick();
  }

  /**
   * Place of the lane whose first breath is asked for: the oldest of those that run, then what is still open of those
   * that are over.
   */
  get called() {
    const open = this.runs
      .map((run, at) => ({ at, over: run.over, hold: run.asking }))
      .filter(({ hold }) => hold !== null);
    const asked = ({ at, hold }) => this.runs[at].askedAt(hold);
    open.sort((one, other) => Number(one.over) - Number(other.over) || asked(one) - asked(other));
    return open[0]?.at ?? null;
  }

  /** Place of the lane that a first breath is for. */
  get rated() {
    if (this.chosen !== null && this.runs[this.chosen].rated !== null) return this.chosen;
    return this.called;
  }

  choose(at) {
    this.focus = at;
    this.chosen = at;
  }

  start(event) {
    for (const { run, plan } of this.lanes) if (!run.started) run.start(event, COUNT_IN_MS + plan.starts_s * 1000);
  }

  main(event) {
    const { run } = this.lane;
    if (!this.begun && !this.onTheWord) return this.start(event);
    if (run.over) return;
    if (!run.started) run.start(event, COUNT_IN_MS);
    else if (run.paused) run.resume(event);
    // Who waits for their start is not sent off by a press that was meant for another.
    else if (!run.waiting || this.chosen === this.focus) run.next(event);
    this.chosen = null;
  }

  mark(kind, event) {
    this.lane.run.mark(kind, event);
    this.chosen = null;
  }

  breath(value, event) {
    const at = this.rated;
    if (at === null) return;
    this.runs[at].breath(value, event);
    this.chosen = null;
  }

  /** Places of those whose open first breaths may be called smooth at once: the one that was chosen, or all. */
  get restOf() {
    const open = this.runs.flatMap((run, at) => (run.over && run.unrated.length > 0 ? [at] : []));
    return open.includes(this.chosen) ? [this.chosen] : open;
  }

  restSmooth() {
    for (const at of this.restOf) this.runs[at].restSmooth();
    this.chosen = null;
  }

  /** All stop; what is noted is noted of somebody. */
  emergency(event) {
    for (const run of this.runs) run.emergency(event);
  }
  closeEmergency() {
    for (const run of this.runs) run.closeEmergency();
  }

  /** What was noted before anybody said of whom waits until it is said. */
  noteEmergency(what, afterMs) {
    if (this.who === null) this.pending.push([what, afterMs]);
    else this.runs[this.who].noteEmergency(what, afterMs);
  }

  itIs(at) {
    this.who = at;
    for (const [what, afterMs] of this.pending) this.runs[at].noteEmergency(what, afterMs);
    this.pending = [];
  }

  /** What the card shows after a reload. */
  get state() {
    const noted = Object.assign({}, ...this.runs.map((run) => run.state.emergency?.noted ?? {}));
    const { emergency } = this.runs[0].state;
    return { emergency: emergency && { ...emergency, noted } };
  }
}

/** In words, how a lane stands. */
export function laneState(run) {
  if (run.over) return run.asking !== null ? "first breath?" : run.state.finished ? "done" : "stopped";
  if (!run.started) return "not begun";
  if (run.waiting) return run.paused ? "paused" : "waits";
  if (run.paused) return "paused";
  if (run.holding) return `holding ${seconds(run.elapsed)}`;
  if (run.asking !== null) return "first breath?";
  return run.segment.kind === "breathe" ? restWords(run) : "breathes";
}

function restWords(run) {
  return run.timed ? `rests until ${seconds(run.now() + run.left)}` : "rests";
}

function seconds(ms) {
  const whole = Math.floor(ms / 1000);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
}

/** Where the tones of a lane lie: their pitch, and their place in stereo. */
export function place(at, lanes) {
  return { pitch: 2 ** (((at - (lanes - 1) / 2) / lanes) * 0.9), pan: lanes > 1 ? -0.8 + (1.6 * at) / (lanes - 1) : 0 };
}
