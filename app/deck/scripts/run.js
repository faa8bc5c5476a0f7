// A session running through its timeline, with what is marked and said of it. Knows no screen: the deck shows what it
// says.
import { SHORTEN_TO } from "./lengths.js";
import { Passage } from "./passage.js";

// So long what is called stands on the screen.
const CALLED_MS = 6000;
// As the log takes them, a minute.
const MOST_BEATS = 120;

export class Run extends Passage {
  constructor(plan, journal, clock, onSegment) {
    super(plan, journal, clock, onSegment);
    this.calls = plan.calls ?? [];
    // Something was noted that stops all hold work: called at once.
    this.onStop = () => {};
    this.rounds = new Map();
    for (const { block, round } of this.segments)
      this.rounds.set(block, Math.max(this.rounds.get(block) ?? 0, round ?? 0));
  }

  /** What is called just now. */
  get call() {
    if (!this.running || this.quiet) return null;
    const due = ([atMs], now) => now >= atMs && now < atMs + CALLED_MS;
    const own = (this.segment.calls ?? []).find((call) => due(call, this.elapsed));
    return (own ?? this.calls.find((call) => due(call, this.now())))?.[1] ?? null;
  }

  /** Deep breaths run: a retention may begin at any of them. */
  get holdable() {
    return this.running && this.segment.breath !== undefined;
  }

  /** Holds whose first breath was asked for and that nobody has rated yet, oldest first. */
  get unrated() {
    return (this.state.asked ?? []).filter((hold) => !this.state.breaths[hold]);
  }

  /**
   * The hold whose first breath a key rates now: while it runs the latest one, at the end those that are still open.
   */
  get rated() {
    return this.over ? (this.unrated[0] ?? this.state.asked?.at(-1) ?? null) : (this.state.asked?.at(-1) ?? null);
  }

  /**
   * The hold whose first breath is asked for just now: the latest one, at the end the oldest that is open; null where
   * none is.
   */
  get asking() {
    return (this.over ? this.unrated[0] : this.unrated.find((hold) => hold === this.rated)) ?? null;
  }

  /** Ends deep breathing at this breath: out, or the full breath in, and the hold with the cap of so few breaths. */
  holdNow(event) {
    this.tick();
    if (!this.holdable) return;
    const { breath, kind, round, block } = this.segment;
    const hold = this.segments.findIndex(
      (one, index) =>
        index > this.state.index && one.kind === "hold" && one.limited && one.round === round && one.block === block,
    );
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

  /** Every hold that is still to come, and the one that runs, is shorter. */
  shorten(event) {
    this.tick();
    if (!this.live || this.quiet || this.state.shorterFrom !== undefined) return;
    const at = this.now(event);
    this.journal.add("shorten", at);
    const { index, segmentStart, caps } = this.state;
    // What was held already is held; the one that runs ends at once where it is longer than it is to be.
    const least = Math.max(this.plannedMs(index) * SHORTEN_TO, at - segmentStart);
    if (this.holding && this.timed) this.state.caps = { ...caps, [index]: Math.min(least, caps?.[index] ?? least) };
    this.state.shorterFrom = index + 1;
    this.tick();
    if (this.live) this.changed();
  }

  /** One breath more before the next hold: in the breathing that runs, or in the next that comes. */
  oneMore(event) {
    this.tick();
    if (!this.live || this.quiet) return;
    const rest = this.segments.findIndex(({ kind }, index) => index >= this.state.index && kind === "breathe");
    if (rest < 0) return;
    this.journal.add("restore", this.now(event));
    this.state.more = { ...this.state.more, [rest]: (this.state.more?.[rest] ?? 0) + 1 };
    this.changed();
  }

  /**
   * A pulse that was felt or read: from the next round on it is the beat. A slow heart makes no count longer than the
   * dose says.
   * @returns beats a minute that are set, or null where nothing is
   */
  beatAt(perMinute) {
    this.tick();
    if (!this.live || this.quiet) return null;
    this.state.nextBeat = Math.max(perMinute, this.slowestBeat);
    this.changed();
    return this.state.nextBeat;
  }

  get slowestBeat() {
    const paced = this.segments.filter((one) => one.paced);
    return Math.min(MOST_BEATS, Math.max(0, ...paced.map(({ beats, ms }) => Math.ceil((beats * 60_000) / ms))));
  }

  /** What somebody feels, and how strongly, at the moment at which it was said. What stops, stops. */
  symptom(what, strength, atMs, stops, event) {
    this.journal.add("symptom", this.started ? Math.max(0, atMs) : 0, { value: `${what}.${strength}` });
    if (!stops) return;
    this.stop(event);
    this.onStop();
  }

  effort(value) {
    this.state.effort = value;
    this.journal.add("effort", this.state.overAt ?? 0, { value: String(value) });
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
    if (what === "stopped_breathing") this.onStop();
    this.journal.add("emergency_note", atMs + afterMs, { value: what });
    this.keep();
  }

  closeEmergency() {
    this.state.emergency.open = false;
    this.keep();
  }

  /** All that nobody rated were smooth: said when it is over, after the exceptions. */
  restSmooth() {
    if (!this.over) return;
    for (const hold of this.unrated) {
      this.state.breaths[hold] = "smooth";
      this.journal.add("first_breath", this.state.overAt, { round: hold, value: "smooth" });
    }
    this.keep();
  }

  /** When the first breath after a hold was asked for, on the page's clock. */
  askedAt(hold) {
    return this.state.askedAt?.[hold] ?? 0;
  }
}
