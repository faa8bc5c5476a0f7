// A session's way through its parts. A part ends by the clock, by hand, by hand with the clock as its cap, or with the
// last of its counted breaths; hands-free, what is counted ends by the clock too.
import { Lengths } from "./lengths.js";

const HEARTBEAT_MS = 1000;
// A page that was away longer than this comes back paused: nobody knows what happened meanwhile.
const LONGEST_GAP_MS = 30_000;

export class Passage extends Lengths {
  /** @param onSegment called on every new segment, with true where a hand and not the clock brought it */
  constructor(plan, journal, clock, onSegment = () => {}) {
    super(plan, journal, clock);
    this.holds = plan.holds;
    this.onSegment = onSegment;
    this.asksAtEnd = plan.asks_at_end;
    if (this.live) this.comeBack();
  }

  /** @param leadMs so long it is counted in, or waits, before its first part begins */
  start(event, leadMs = 0) {
    this.state.anchor = this.clock.at(event) + leadMs;
    this.journal.add("start", 0);
    this.enter(0, 0, true);
  }

  /** Who waits no longer begins at once. */
  beginNow(event) {
    this.state.anchor = this.clock.at(event);
    this.changed();
  }

  /** Ends what is over by the clock; exact, however late it is called. */
  tick() {
    while (this.live && !this.paused && this.timed && this.left <= 0)
      this.leave(this.state.segmentStart + this.lengthMs);
    if (this.live && !this.paused && this.clock.wall() - this.state.seen > HEARTBEAT_MS) this.keep();
  }

  leave(at, byHand = false) {
    if (this.quiet) return this.end("stop", at);
    const next = this.state.index + 1;
    const unmarked = !byHand && (this.segment.ends === "comfort" || (this.segment.ends === "cap" && !this.shortened));
    if (this.segment.ends === "comfort") this.state.marking = byHand;
    if (this.segment.kind === "hold") this.endHold(at, unmarked);
    else if (this.segment.exhale !== undefined && this.segments[next]?.exhale !== this.segment.exhale)
      this.endSound(at);
    this.go(this.pace ? this.goOn(this.pace, next, at) : next, at, byHand);
  }

  go(next, at, byHand) {
    if (next < this.segments.length) this.enter(next, at, byHand);
    else this.end("finish", at);
  }

  /** At one's own pace it ends at its time, where a breath would begin, and begins anew until then. */
  goOn([first, last, ms], next, at) {
    const breathBegins = next > last || this.segments[next].kind === "inhale";
    if (breathBegins && at - this.state.paceStart >= ms) return last + 1;
    if (next <= last) return next;
    this.state.laps = (this.state.laps ?? 0) + 1;
    return first;
  }

  enter(index, at, byHand) {
    this.takeBeat(index, at);
    const pace = this.paces.find(([first]) => first === index);
    if (pace && this.pace !== pace) Object.assign(this.state, { paceStart: at, laps: 0, marking: false });
    this.state.index = index;
    this.state.byHand = byHand && index > 0;
    this.state.segmentStart = at;
    this.state.counted = 0;
    const { kind, exhale } = this.segment;
    if (kind === "hold") this.journal.add("hold_start", at, { round: this.holdNumber });
    else if (exhale !== undefined && this.segments[index - 1]?.exhale !== exhale)
      this.journal.add("sound_start", at, { round: exhale });
    this.keep();
    this.onSegment(byHand);
  }

  /** The beat that was set holds from this part on. */
  takeBeat(index, at) {
    const { nextBeat, beat } = this.state;
    if (!nextBeat || index !== this.nextRound) return;
    this.state.nextBeat = null;
    if (nextBeat === beat?.perMinute) return;
    this.state.beat = { perMinute: nextBeat };
    this.journal.add("beat", at, { round: index + 1, value: String(nextBeat) });
  }

  /** What runs is over, whatever comes next. Before the first beat nothing was held. */
  endPart(at) {
    if (this.paused || this.quiet) return;
    if (this.segment.kind === "hold") this.endHold(Math.max(0, at));
    else if (this.segment.exhale !== undefined) this.endSound(Math.max(0, at));
  }

  /** @param unmarked the clock ended what a hand was to end: how long it was nobody knows */
  endHold(at, unmarked = false) {
    this.journal.add("hold_end", at, { round: this.holdNumber, ...(unmarked ? { value: "unmarked" } : {}) });
    this.state.lastHold = this.holdNumber;
    if (!this.segment.asks) return;
    (this.state.asked ??= []).push(this.holdNumber);
    this.state.askedAt = { ...this.state.askedAt, [this.holdNumber]: this.state.anchor + at };
  }

  endSound(at) {
    this.journal.add("sound_end", at, { round: this.segment.exhale });
  }
  end(kind, at) {
    Object.assign(this.state, { over: true, overAt: at, finished: kind === "finish", pausedAt: at });
    if (this.asksAtEnd && this.lastHold !== null) this.state.asked = [this.lastHold];
    this.journal.add(kind, at);
    this.keep();
    this.onSegment(true);
  }

  pause(event) {
    if (!this.live) return;
    if (this.paused) return this.resume(event);
    this.tick();
    if (this.holding || this.sounding) this.leave(this.now(event), true);
    if (!this.live) return;
    const at = this.now(event);
    this.state.pausedAt = at;
    this.journal.add("pause", at);
    this.onSegment(true);
    this.keep();
  }

  resume(event) {
    this.state.anchor = this.clock.at(event) - this.state.pausedAt;
    this.state.pausedAt = null;
    this.journal.add("resume", this.now(event));
    this.onSegment(true);
    this.keep();
  }

  stop(event) {
    if (!this.live) return;
    this.tick();
    if (!this.live) return;
    const at = this.now(event);
    this.endPart(at);
    this.end("stop", at);
  }

  /** Release a hold, count a breath, or go on to what is next. */
  next(event) {
    this.tick();
    if (!this.live) return;
    if (this.waiting) return this.beginNow(event);
    // Where only the time is called there is nothing to mark.
    if (this.segment.silent) return;
    if (this.segment.ends === "count" && !this.handsFree && this.breathsLeft > 1) return this.count();
    this.leave(this.now(event), true);
  }

  /** Go on, whatever is left to count. */
  skip(event) {
    this.tick();
    if (this.running) this.leave(this.now(event), true);
  }

  count() {
    this.state.counted = (this.state.counted ?? 0) + 1;
    this.keep();
  }

  changed() {
    this.onSegment(true);
    this.keep();
  }

  /** Time never runs backwards, though the machine's clock may have been set back while the page was away. */
  comeBack() {
    const back = this.state.seen - this.clock.wall();
    if (back > 0) {
      this.state.anchor -= back;
      this.state.seen -= back;
    }
    if (this.paused || this.clock.wall() - this.state.seen <= LONGEST_GAP_MS) return;
    this.state.pausedAt = this.state.seen - this.state.anchor;
    this.journal.add("pause", this.state.pausedAt);
    this.keep();
  }

  keep() {
    this.state.seen = this.clock.wall();
    this.journal.run = this.state;
  }

  get holding() {
    return this.running && this.segment.kind === "hold";
  }
  /** A sounded exhale runs: ending it early says how far it went. */
  get sounding() {
    return this.running && this.segment.exhale !== undefined;
  }

  /** Number of the hold that runs: at one's own pace they are numbered on when the plan begins anew. */
  get holdNumber() {
    return this.segment.hold + (this.ownPaceMs === null ? 0 : (this.state.laps ?? 0) * this.holds);
  }

  /** The hold that runs was shortened on the way: its cap is what was planned of it. */
  get shortened() {
    return (
      this.state.caps?.[this.state.index] !== undefined || this.state.index >= (this.state.shorterFrom ?? Infinity)
    );
  }

  get lastHold() {
    return this.state.lastHold;
  }
}
