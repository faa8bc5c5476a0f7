// A session running through its timeline. Knows no screen: the deck shows what it says. A part ends by the clock, by hand,
// by hand with the clock as its cap, or with the last of its counted breaths; hands-free, what is counted ends by the clock
// too. Moments are milliseconds of the
// session's own clock, which stands still while paused and goes on across a reload.
const HEARTBEAT_MS = 1000;
// A page that was away longer than this comes back paused: nobody knows what happened meanwhile.
const LONGEST_GAP_MS = 30_000;
// What runs once somebody turned to quiet breathing: until a hand ends it. No hold follows.
const QUIET = { kind: "breathe", ends: "hand", ms: 0, start_ms: 0, cue: "Quiet breathing, long and slow" };
// So long what is called stands on the screen.
const CALLED_MS = 6000;

export class Run {
  /** @param onSegment called on every new segment, with true where a hand and not the clock brought it */
  constructor(plan, journal, clock, onSegment = () => {}) {
    this.segments = plan.segments;
    this.ownPaceMs = plan.own_pace ? plan.total_ms : null;
    this.holds = plan.holds;
    this.journal = journal;
    this.clock = clock;
    this.onSegment = onSegment;
    this.state = journal.run ?? { index: -1, segmentStart: 0, anchor: null, pausedAt: null, lastHold: null, breaths: {}, asked: [], over: plan.over, seen: null, counted: 0, laps: 0 };
    this.asksAtEnd = plan.asks_at_end;
    this.handsFree = plan.hands_free ?? false;
    this.calls = plan.calls ?? [];
    this.rounds = new Map();
    for (const { block, round } of this.segments) this.rounds.set(block, Math.max(this.rounds.get(block) ?? 0, round ?? 0));
    if (this.live) this.comeBack();
  }

  get started() { return this.state.index >= 0; }
  get over() { return this.state.over; }
  get live() { return this.started && !this.over; }
  get paused() { return this.state.pausedAt !== null; }
  /** Started, and its first part is still to come: it is counted in, or waits for its turn in a squad. */
  get waiting() { return this.live && this.now() < 0; }
  /** Its parts run. */
  get running() { return this.live && !this.paused && this.now() >= 0; }
  /** Somebody turned to quiet breathing: nothing of the plan comes any more. */
  get quiet() { return this.live && this.state.quiet !== undefined; }
  get segment() { return this.quiet ? QUIET : this.segments[this.state.index]; }
  get holding() { return this.running && this.segment.kind === "hold"; }
  get lastHold() { return this.state.lastHold; }
  /** A sounded exhale runs: ending it early says how far it went. */
  get sounding() { return this.running && this.segment.exhale !== undefined; }
  /** Ends by itself when its time is up, or at its latest end where a hand should have ended it. */
  get timed() { return this.endMs(this.state.index) !== null; }
  get lengthMs() { return this.endMs(this.state.index) ?? this.segment.ms; }
  /** Milliseconds after which a part ends by itself; null where only a hand ends it. */
  endMs(index) {
    if (this.quiet) return null;
    const { ends, ms, at_most_ms: atMost } = this.segments[index];
    if (["hand", "count"].includes(ends) && !(this.handsFree && this.counts(index))) return atMost ?? null;
    return Math.min(ms, this.state.caps?.[index] ?? ms);
  }
  /** Breaths or repetitions of a part that are counted. */
  counts(index) { return this.quiet ? 0 : this.segments[index].breaths ?? this.segments[index].repetitions ?? 0; }
  /** What is called just now. */
  get call() {
    if (!this.running || this.quiet) return null;
    const due = ([atMs], now) => now >= atMs && now < atMs + CALLED_MS;
    const own = (this.segment.calls ?? []).find((call) => due(call, this.elapsed));
    return (own ?? this.calls.find((call) => due(call, this.now())))?.[1] ?? null;
  }
  /** Deep breaths run: a retention may begin at any of them. */
  get holdable() { return this.running && this.segment.breath !== undefined; }
  /** Holds whose first breath was asked for and that nobody has rated yet, oldest first. */
  get unrated() { return (this.state.asked ?? []).filter((hold) => !this.state.breaths[hold]); }
  /** The hold whose first breath a key rates now: while it runs the latest one, at the end those that are still open. */
  get rated() { return this.over ? this.unrated[0] ?? this.state.asked?.at(-1) ?? null : this.state.asked?.at(-1) ?? null; }
  /** The hold whose first breath is asked for just now: the latest one, at the end the oldest that is open; null where none is. */
  get asking() { return (this.over ? this.unrated[0] : this.unrated.find((hold) => hold === this.rated)) ?? null; }
  /** Number of the hold that runs: at one's own pace they are numbered on when the plan begins anew. */
  get holdNumber() { return this.segment.hold + (this.state.laps ?? 0) * this.holds; }
  get breathsLeft() {
    const all = this.counts(this.state.index);
    if (!this.handsFree) return all - (this.state.counted ?? 0);
    return Math.min(all, Math.max(1, Math.ceil((this.left * all) / this.segment.ms - 1e-6)));
  }
  get elapsed() { return this.now() - this.state.segmentStart; }

  now(event) {
    const wall = event ? this.clock.at(event) : this.clock.wall();
    return this.paused ? this.state.pausedAt : wall - this.state.anchor;
  }

  /** Milliseconds left of the segment, and the place on the plan. */
  get left() { return this.state.segmentStart + this.lengthMs - this.now(); }
  get planned() {
    if (!this.started) return 0;
    if (this.ownPaceMs !== null) return Math.min(this.now(), this.ownPaceMs);
    if (this.state.quiet !== undefined) return this.state.quiet;
    if (this.over && this.state.finished) return this.segment.start_ms + this.segment.ms;
    return this.segment.start_ms + Math.min(this.segment.ms, Math.max(0, this.elapsed));
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
    this.onSegment(true);
    this.keep();
  }

  /** Ends what is over by the clock; exact, however late it is called. */
  tick() {
    while (this.live && !this.paused && this.timed && this.left <= 0) this.leave(this.state.segmentStart + this.lengthMs);
    if (this.live && !this.paused && this.clock.wall() - this.state.seen > HEARTBEAT_MS) this.keep();
  }

  /** Release a hold, count a breath, or go on to what is next. */
  next(event) {
    this.tick();
    if (!this.live) return;
    if (this.waiting) return this.beginNow(event);
    if (this.segment.ends === "count" && !this.handsFree && this.breathsLeft > 1) return this.count();
    this.leave(this.now(event), true);
  }

  /** Go on, whatever is left to count. */
  skip(event) {
    this.tick();
    if (this.running) this.leave(this.now(event), true);
  }

  /** Ends deep breathing at this breath: out, or the full breath in, and the hold with the cap of so few breaths. */
  holdNow(event) {
    this.tick();
    if (!this.holdable) return;
    const { breath, kind, round, block } = this.segment;
    const hold = this.segments.findIndex((one, index) => index > this.state.index && one.kind === "hold" && one.limited && one.round === round && one.block === block);
    if (hold < 0) return;
    const lastOut = this.segments.findLastIndex((one, index) => index < hold && one.breath !== undefined);
    const at = this.now(event);
    const capMs = (this.segments[hold].caps_s?.[breath - 1] ?? Infinity) * 1000;
    this.state.caps = { ...this.state.caps, [hold]: capMs };
    this.journal.add("hold_now", at, { round: this.segments[hold].hold, value: String(breath) });
    this.enter(kind === "inhale" ? lastOut : lastOut + 1, at, true);
  }

  /** From here on quiet breathing, whatever the plan says: a choice that is always right. */
  quietFromHere(event) {
    this.tick();
    if (!this.live || this.quiet) return;
    if (this.paused) this.resume(event);
    const at = this.now(event);
    this.endPart(at);
    const planned = this.planned;
    this.journal.add("quiet", at);
    Object.assign(this.state, { quiet: planned, segmentStart: at });
    this.onSegment(true);
    this.keep();
  }

  count() {
    this.state.counted = (this.state.counted ?? 0) + 1;
    this.keep();
  }

  mark(kind, event) {
    if (this.holding) this.journal.add(kind, this.now(event), { round: this.holdNumber });
  }

  /** Rates the first breath after the latest hold; never stops the clock. */
  breath(value, event) {
    const hold = this.rated;
    if (hold === null) return;
    this.state.breaths[hold] = value;
    this.journal.add("first_breath", this.over ? this.state.overAt : this.now(event), { round: hold, value });
    this.keep();
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

  /** All stops. From here on a clock of its own runs, whether or not the session had begun. */
  emergency(event) {
    this.stop(event);
    const atMs = this.started ? this.now() : 0;
    this.state.emergency = { atMs, wall: this.clock.at(event), noted: {}, open: true };
    this.journal.add("emergency", atMs);
    this.keep();
  }

  noteEmergency(what, afterMs) {
    const { atMs, noted } = this.state.emergency;
    noted[what] = afterMs;
    this.journal.add("emergency_note", atMs + afterMs, { value: what });
    this.keep();
  }

  closeEmergency() {
    this.state.emergency.open = false;
    this.keep();
  }

  leave(at, byHand = false) {
    if (this.quiet) return this.end("stop", at);
    const next = this.state.index + 1;
    if (this.segment.kind === "hold") this.endHold(at);
    else if (this.segment.exhale !== undefined && this.segments[next]?.exhale !== this.segment.exhale) this.endSound(at);
    if (this.breathBegins(next) && at >= this.ownPaceMs) this.end("finish", at);
    else if (next < this.segments.length) this.enter(next, at, byHand);
    else if (this.ownPaceMs !== null) this.beginAnew(at, byHand);
    else this.end("finish", at);
  }

  /** At one's own pace the session ends at its time, where a breath would begin. */
  breathBegins(index) {
    return this.ownPaceMs !== null && (index >= this.segments.length || this.segments[index].kind === "inhale");
  }

  beginAnew(at, byHand) {
    this.state.laps = (this.state.laps ?? 0) + 1;
    this.enter(0, at, byHand);
  }

  enter(index, at, byHand) {
    this.state.index = index;
    this.state.segmentStart = at;
    this.state.counted = 0;
    const { kind, exhale } = this.segment;
    if (kind === "hold") this.journal.add("hold_start", at, { round: this.holdNumber });
    else if (exhale !== undefined && this.segments[index - 1]?.exhale !== exhale) this.journal.add("sound_start", at, { round: exhale });
    this.keep();
    this.onSegment(byHand);
  }

  /** What runs is over, whatever comes next. Before the first beat nothing was held. */
  endPart(at) {
    if (this.paused || this.quiet) return;
    if (this.segment.kind === "hold") this.endHold(Math.max(0, at));
    else if (this.segment.exhale !== undefined) this.endSound(Math.max(0, at));
  }

  endHold(at) {
    this.journal.add("hold_end", at, { round: this.holdNumber });
    this.state.lastHold = this.holdNumber;
    if (!this.segment.asks) return;
    (this.state.asked ??= []).push(this.holdNumber);
    this.state.askedAt = { ...this.state.askedAt, [this.holdNumber]: this.state.anchor + at };
  }

  /** When the first breath after a hold was asked for, on the page's clock. */
  askedAt(hold) { return this.state.askedAt?.[hold] ?? 0; }

  endSound(at) { this.journal.add("sound_end", at, { round: this.segment.exhale }); }

  end(kind, at) {
    Object.assign(this.state, { over: true, overAt: at, finished: kind === "finish", pausedAt: at });
    if (this.asksAtEnd && this.lastHold !== null) this.state.asked = [this.lastHold];
    this.journal.add(kind, at);
    this.keep();
    this.onSegment(true);
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
}
