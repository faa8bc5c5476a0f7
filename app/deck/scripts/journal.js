// What happens on the deck, kept in the browser until the server has it. Every event has a uuid made here, so sending
// one twice changes nothing. Survives a reload, a closed tab and a server that is away.
import { clock } from "./clock.js";
import { device } from "./device.js";
import { NO_ROOM, readable, store } from "./store.js";
import { uuid } from "./uuid.js";

const RETRY_MS = [1000, 2000, 4000, 8000, 15000];
const BATCH = 200;
const MOST_REFUSED = 50;

export class Journal {
  /**
   * Without a storage it begins with nothing, and all is sent as it comes.
   * @param session its uuid
   * @param by whose marks: the key of whoever opened this deck, and the set that lay on the phone, where it was one
   */
  static async open(session, onChange = () => {}, by = {}) {
    const [marks, kept] = await Promise.all([readable(store.marksOf(session)), readable(store.run(session))]);
    return new Journal(session, marks, kept, onChange, by);
  }

  constructor(session, marks, kept, onChange, by) {
    Object.assign(this, { session, onChange, by });
    this.tries = 0;
    this.roomLeft = marks !== undefined;
    this.marks = marks ?? [];
    this.order = (this.marks.at(-1)?.order ?? 0) + 1;
    this.kept = kept ?? { session, run: null, refused: [] };
  }

  /** How it stands with what was marked. */
  get words() {
    const parts = [this.marksWaiting === 0 ? "Saved" : `${this.marksWaiting} not sent yet`];
    if (this.cramped) parts.push(NO_ROOM);
    if (this.kept.refused.length) parts.push(`${this.kept.refused.length} refused: ${this.kept.refused.at(-1).why}`);
    return parts.join(" · ");
  }

  /** What the deck has to remember to go on after a reload. */
  get run() {
    return this.kept.run;
  }

  set run(run) {
    this.kept.run = run;
    if (!this.done) this.keep(store.putRun(this.kept));
  }

  get waiting() {
    return this.marks.length;
  }

  /** Without the readings of an oximeter, which travel along. */
  get marksWaiting() {
    return this.marks.filter((event) => event.kind !== "oximeter").length;
  }

  add(kind, atMs, details = {}) {
    this.put(kind, atMs, details);
    this.send();
  }

  /** Kept here, and sent along with the next event that matters. */
  put(kind, atMs, details) {
    const mark = {
      uuid: uuid(),
      session: this.session,
      order: this.order,
      ...this.by,
      wall: clock.wall(),
      kind,
      at_ms: Math.max(0, Math.round(atMs)),
      ...details,
    };
    this.order += 1;
    this.done = false;
    this.marks.push(mark);
    this.keep(store.putMark(mark));
  }

  /** Where the run stands, for who follows it: only the newest matters. */
  tell(state) {
    this.told = state;
    this.send();
  }

  /**
   * A browser whose storage is full keeps nothing across a reload; what is here is sent all the same, and it is said.
   */
  async keep(writing) {
    this.onChange();
    const before = this.roomLeft;
    try {
      await writing;
      this.roomLeft = true;
    } catch {
      this.roomLeft = false;
    }
    if (before !== this.roomLeft) this.onChange();
  }

  /** Once it is over and all is with the server, nothing needs room here any more. */
  get cramped() {
    return !this.roomLeft && !(this.run?.over && this.waiting === 0);
  }

  async send() {
    if (this.sending || (this.waiting === 0 && !this.told)) return;
    this.sending = true;
    clearTimeout(this.later);
    const told = this.told;
    try {
      const { kept, refused } = await this.post(this.batch(), told);
      if (this.told === told) this.told = undefined;
      await this.forget(kept, refused ?? []);
      this.tries = 0;
    } catch {
      this.tries += 1;
    }
    this.sending = false;
    if (this.waiting > 0 || this.told) this.later = setTimeout(() => this.send(), this.pause());
  }

  /** The next marks of one person: several may have had this deck, one after another. */
  batch() {
    const { key } = this.marks[0] ?? this.by;
    const end = this.marks.findIndex((mark) => mark.key !== key);
    return this.marks.slice(0, Math.min(BATCH, end < 0 ? BATCH : end));
  }

  /** No wait while the server answers; longer and longer while it does not. */
  pause() {
    return this.tries === 0 ? 0 : RETRY_MS[Math.min(this.tries, RETRY_MS.length) - 1];
  }

  async post(marks, state, renewed = false) {
    const token = document.querySelector("meta[name=csrf-token]");
    const now = clock.wall();
    const { key, laid_set } = marks[0] ?? this.by;
    const events = marks.map(({ session: _session, order: _order, key: _key, laid_set: _laid, wall, ...event }) => ({
      ...event,
      ago_ms: Math.max(0, Math.round(now - (wall ?? now))),
    }));
    const answer = await fetch(`/sessions/${this.session}/events`, {
      method: "POST",
      headers: { "Content-Type": "application/json", "X-CSRF-Token": token.content },
      body: JSON.stringify({ device: device(), key, laid_set, events, state }),
    });
    if (answer.status === 403 && !renewed) {
      token.content = (await (await fetch("/token")).json()).token;
      return this.post(marks, state, true);
    }
    // Signed out, and without a key that is good: the marks wait here, and go up after signing in again.
    if (!answer.ok || answer.redirected) throw new Error(`not kept: ${answer.status}`);
    return answer.json();
  }

  /** What was refused is put aside and shown, not sent for ever. */
  async forget(kept, refused) {
    const why = new Map(refused.map((one) => [one.uuid, one.why]));
    const here = new Set([...kept, ...why.keys()]);
    const aside = this.marks
      .filter((event) => why.has(event.uuid))
      .map((event) => ({ ...event, why: why.get(event.uuid) }));
    this.marks = this.marks.filter((event) => !here.has(event.uuid));
    if (aside.length) {
      this.kept.refused = [...this.kept.refused, ...aside].slice(-MOST_REFUSED);
      this.keep(store.putRun(this.kept));
    }
    await this.keep(store.dropMarks([...here]));
    this.done = this.waiting === 0 && this.run?.over && !this.run.emergency?.open && !this.kept.refused.length;
    if (this.done) await this.keep(store.dropRun(this.session));
  }
}
