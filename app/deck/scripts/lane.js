// One athlete's session on a deck, alone or beside others: what runs, what is marked, what sounds of it.
import { Buzz } from "./buzz.js";
import { clock } from "./clock.js";
import { cuesBetween } from "./cues.js";
import { Journal } from "./journal.js";
import { Run } from "./run.js";
import { readable, store } from "./store.js";

/** A stop noted on this device holds until the server has heard of it and says that it is cleared. */
async function stands(stop, plan) {
  if (!stop || stop.session === plan.uuid) return false;
  if ((await store.waiting()).includes(stop.session)) return true;
  try {
    const [{ stopped }] = (await (await fetch(`/sessions/${stop.session}/told`)).json()).lanes;
    if (!stopped) await store.dropStop(stop.athlete);
    return stopped;
  } catch {
    return true;
  }
}

// Tones are laid out this far ahead, so that they come even when the screen sleeps, and again whenever less is left.
const AHEAD_MS = 90_000;
const TOP_UP_MS = 70_000;
// What a hand begins sounds from its first beat on, though the key was heard a little later.
const LATE_MS = 60;
// Who follows hears at least so often that it still runs.
const TELL_MS = 10_000;
// One call is over before the next.
const CALL_MS = 1200;
// So long the first part is counted in.
export const COUNT_IN_MS = 3000;

export class Lane {
  /**
   * @param plan of the session, as the server gives it
   * @param channel of the sound; undefined where nothing is to sound
   * @param told called whenever something changed, with true where a hand and not the clock changed it; and of what was
   *   kept
   */
  static async open(plan, channel, told = {}) {
    const [journal, stop] = await Promise.all([
      Journal.open(plan.uuid, () => told.kept?.(), { key: plan.key, laid_set: plan.laid_set }),
      readable(store.stop(plan.athlete)),
    ]);
    const lane = new Lane(plan, channel, journal, told.changed ?? (() => {}));
    lane.stopped = await stands(stop, plan);
    return lane;
  }

  constructor(plan, channel, journal, onChange) {
    Object.assign(this, { plan, channel, journal, onChange });
    this.buzz = new Buzz();
    this.run = new Run(plan, journal, clock, (byHand) => this.changed(byHand));
    this.run.onStop = () => store.putStop({ athlete: plan.athlete, session: plan.uuid });
  }

  /** Begun where this browser knows nothing of it. */
  get elsewhere() {
    return this.plan.begun && !this.plan.over && !this.journal.run;
  }

  changed(byHand) {
    this.layOut(byHand);
    if (byHand) this.tell();
    this.onChange(byHand);
  }

  /** Who follows on another screen learns where it stands; what the clock brings they know themselves. */
  tell() {
    this.toldAt = clock.wall();
    this.journal.tell({ ...this.run.state, at: Math.round(this.run.now()), hands_free: this.run.handsFree });
  }

  /**
   * @param byHand the timeline was changed: what was laid out before is wrong
   * @param lateMs what should have begun so little ago begins now
   * @param begunMs what began longer ago is not taken back
   */
  layOut(byHand, lateMs = LATE_MS, begunMs = Infinity) {
    if (!this.channel) return;
    if (byHand) for (const one of [this.channel, this.buzz]) one.silence(begunMs);
    if (!this.run.live || this.run.paused) return;
    const [sinceMs, now] = [performance.now(), this.run.now()];
    const from = byHand ? now - lateMs : this.laidOutTo;
    this.laidOutTo = now + AHEAD_MS;
    const cues = cuesBetween(this.run, from, this.laidOutTo).map((cue) => ({
      ...cue,
      say: this.said(cue),
      inMs: cue.atMs - now,
    }));
    for (const one of [this.channel, this.buzz]) one.schedule(cues, sinceMs);
  }

  /** Said at once, one after the other, whatever the plan says. */
  call(sayings) {
    this.channel?.schedule(sayings.map((say, place) => ({ kind: "call", inMs: place * CALL_MS, say })));
  }

  /** Beside others each instruction begins with whose it is; numbers go on without. */
  said({ say, kind }) {
    return say && this.plan.letter && kind !== "count" ? [`lane-${this.plan.letter.toLowerCase()}`, ...say] : say;
  }

  /** At every pulse. */
  pulse(slippedMs) {
    this.topUp(slippedMs);
    if (this.run.live && clock.wall() - (this.toldAt ?? 0) > TELL_MS) this.tell();
  }

  /** A hold may be longer than what was laid out when it began; and an audio clock that slipped plays late. */
  topUp(slippedMs) {
    if (!this.channel || !this.run.live || this.run.paused) return;
    // Nothing changed but the clock: what is being said goes on.
    if (slippedMs) this.layOut(true, slippedMs, slippedMs);
    else if (this.laidOutTo - this.run.now() < TOP_UP_MS) this.layOut(false);
  }
}
