// How long each part of a session is: as planned, with what was changed on the way; and where in it the clock stands.
// Moments are milliseconds of the session's own clock, which stands still while paused and goes on across a reload.

// What runs once somebody turned to quiet breathing: until a hand ends it. No hold follows.
const QUIET = { kind: "breathe", ends: "hand", ms: 0, start_ms: 0, cue: "Quiet breathing, long and slow" };
// Breaths a minute where a part does not say how many.
const USUAL_RATE = 12;
// Who shortens from here holds so much of what was planned.
export const SHORTEN_TO = 0.75;

export class Lengths {
  constructor(plan, journal, clock) {
    this.segments = plan.segments;
    this.ownPaceMs = plan.own_pace ? plan.total_ms : null;
    // Where breathing goes at one's own pace: [first part, last part, milliseconds].
    this.paces = plan.paces ?? [];
    this.journal = journal;
    this.clock = clock;
    this.handsFree = plan.hands_free ?? false;
    this.state = journal.run ?? {
      index: -1,
      segmentStart: 0,
      anchor: null,
      pausedAt: null,
      lastHold: null,
      breaths: {},
      asked: [],
      over: plan.over,
      seen: null,
      counted: 0,
      laps: 0,
    };
  }

  get started() {
    return this.state.index >= 0;
  }
  get over() {
    return this.state.over;
  }
  get live() {
    return this.started && !this.over;
  }
  get paused() {
    return this.state.pausedAt !== null;
  }
  /** Started, and its first part is still to come: it is counted in, or waits for its turn in a squad. */
  get waiting() {
    return this.live && this.now() < 0;
  }

  /** Its parts run. */
  get running() {
    return this.live && !this.paused && this.now() >= 0;
  }

  /** Somebody turned to quiet breathing: nothing of the plan comes any more. */
  get quiet() {
    return this.live && this.state.quiet !== undefined;
  }

  get segment() {
    return this.quiet ? QUIET : this.segments[this.state.index];
  }
  /** Ends by itself when its time is up, or at its latest end where a hand should have ended it. */
  get timed() {
    return this.endMs(this.state.index) !== null;
  }

  get lengthMs() {
    return this.endMs(this.state.index) ?? this.segment.ms;
  }
  /** Milliseconds after which a part ends by itself; null where only a hand ends it. */
  endMs(index) {
    if (this.quiet) return null;
    const { ends, at_most_ms: atMost } = this.segments[index];
    // What ends at comfort waits for the hand that marked the one before; where nobody marks anything the clock leads,
    // as planned.
    if (ends === "comfort") return this.state.marking ? (atMost ?? null) : this.plannedMs(index);
    if (["hand", "count"].includes(ends) && !(this.handsFree && this.counts(index))) return atMost ?? null;
    const ms = this.plannedMs(index);
    return Math.min(ms, this.state.caps?.[index] ?? ms);
  }

  /** How long a part is planned to be, with what was changed on the way: another beat, shorter holds, breaths more. */
  plannedMs(index) {
    const { ms, kind, beats, paced } = this.segments[index];
    const { shorterFrom, more } = this.state;
    const perMinute = paced ? this.beatOf(index) : null;
    const beaten = perMinute ? Math.round((beats * 60_000) / perMinute) : ms;
    const shorter = kind === "hold" && index >= (shorterFrom ?? Infinity) ? Math.round(beaten * SHORTEN_TO) : beaten;
    return shorter + (more?.[index] ?? 0) * this.breathMs(index);
  }

  /** Beats a minute of a part: those of the next round are known before it begins. */
  beatOf(index) {
    const { beat, nextBeat } = this.state;
    return nextBeat && index >= this.nextRound ? nextBeat : beat?.perMinute;
  }

  /** Where the next round begins. */
  get nextRound() {
    const { round, block } = this.segments[this.state.index] ?? {};
    const next = this.segments.findIndex(
      (one, index) => index > this.state.index && (one.round !== round || one.block !== block),
    );
    return next < 0 ? Infinity : next;
  }

  breathMs(index) {
    const { ms, breaths, rate } = this.segments[index];
    return breaths ? ms / breaths : 60_000 / (rate ?? USUAL_RATE);
  }

  /** Breaths or repetitions of a part that are counted. */
  counts(index) {
    if (this.quiet) return 0;
    const { breaths, repetitions } = this.segments[index];
    return breaths ? breaths + (this.state.more?.[index] ?? 0) : (repetitions ?? 0);
  }

  /** The stretch at one's own pace that runs, and how much of it is left. */
  get pace() {
    return this.paces.find(([first, last]) => first <= this.state.index && this.state.index <= last);
  }
  get paceLeft() {
    return this.pace ? this.pace[2] - (this.now() - (this.state.paceStart ?? 0)) : null;
  }

  get breathsLeft() {
    const all = this.counts(this.state.index);
    if (!this.handsFree) return all - (this.state.counted ?? 0);
    return Math.min(all, Math.max(1, Math.ceil((this.left * all) / this.plannedMs(this.state.index) - 1e-6)));
  }

  get elapsed() {
    return this.now() - this.state.segmentStart;
  }
  now(event) {
    const wall = event ? this.clock.at(event) : this.clock.wall();
    return this.paused ? this.state.pausedAt : wall - this.state.anchor;
  }

  /** Milliseconds left of the segment, and the place on the plan. */
  get left() {
    return this.state.segmentStart + this.lengthMs - this.now();
  }

  get planned() {
    if (!this.started) return 0;
    if (this.ownPaceMs !== null) return Math.min(this.now(), this.ownPaceMs);
    if (this.state.quiet !== undefined) return this.state.quiet;
    if (this.over && this.state.finished) return this.segment.start_ms + this.segment.ms;
    return (
      this.segment.start_ms +
      this.segment.ms * Math.min(1, Math.max(0, this.elapsed) / (this.endMs(this.state.index) ?? this.segment.ms))
    );
  }
}
