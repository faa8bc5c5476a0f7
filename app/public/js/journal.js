// What happens on the deck, kept in the browser until the server has it. Every event has a uuid made here, so sending one
// twice changes nothing. Survives a reload, a closed tab and a server that is away.
const PREFIX = "windlass.journal.";
const RETRY_MS = [1000, 2000, 4000, 8000, 15000];
const BATCH = 200;

function uuid() {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6] & 0x0f) | 0x40;
  bytes[8] = (bytes[8] & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}

export class Journal {
  constructor(session, onChange = () => {}) {
    this.session = session;
    this.key = PREFIX + session;
    this.onChange = onChange;
    this.tries = 0;
    this.roomLeft = true;
    this.kept = { events: [], run: null, refused: [], ...JSON.parse(localStorage.getItem(this.key) ?? "{}") };
  }

  /** How it stands with what was marked. */
  get words() {
    const parts = [this.marksWaiting === 0 ? "All kept" : `${this.marksWaiting} waiting for the server`];
    if (!this.roomLeft) parts.push("no room in this browser: keep this page open until all is kept");
    if (this.kept.refused.length) parts.push(`${this.kept.refused.length} refused: ${this.kept.refused.at(-1).why}`);
    return parts.join(" · ");
  }

  /** What the deck has to remember to go on after a reload. */
  get run() {
    return this.kept.run;
  }

  set run(run) {
    this.kept.run = run;
    this.save();
  }

  get waiting() {
    return this.kept.events.length;
  }

  /** Without the readings of an oximeter, which travel along. */
  get marksWaiting() {
    return this.kept.events.filter((event) => event.kind !== "oximeter").length;
  }

  add(kind, atMs, details = {}) {
    this.put(kind, atMs, details);
    this.send();
  }

  /** Kept here, and sent along with the next event that matters. */
  put(kind, atMs, details) {
    this.kept.events.push({ uuid: uuid(), kind, at_ms: Math.max(0, Math.round(atMs)), ...details });
    this.save();
  }

  /** A browser whose storage is full keeps nothing across a reload; what is here is sent all the same, and it is said. */
  save() {
    try {
      localStorage.setItem(this.key, JSON.stringify(this.kept));
      this.roomLeft = true;
    } catch {
      this.roomLeft = false;
    }
    this.onChange();
  }

  async send() {
    if (this.sending || this.waiting === 0) return;
    this.sending = true;
    clearTimeout(this.later);
    try {
      const { kept, refused } = await this.post(this.kept.events.slice(0, BATCH));
      this.forget(kept, refused ?? []);
      this.tries = 0;
    } catch {
      this.tries += 1;
    }
    this.sending = false;
    if (this.waiting > 0) this.later = setTimeout(() => this.send(), this.pause());
  }

  /** No wait while the server answers; longer and longer while it does not. */
  pause() {
    return this.tries === 0 ? 0 : RETRY_MS[Math.min(this.tries, RETRY_MS.length) - 1];
  }

  async post(events, renewed = false) {
    const token = document.querySelector("meta[name=csrf-token]");
    const answer = await fetch(`/sessions/${this.session}/events`, {
      method: "POST",
      headers: { "Content-Type": "application/json", "X-CSRF-Token": token.content },
      body: JSON.stringify({ events }),
    });
    if (answer.status === 403 && !renewed) {
      token.content = (await (await fetch("/token")).json()).token;
      return this.post(events, true);
    }
    if (!answer.ok) throw new Error(`not kept: ${answer.status}`);
    return answer.json();
  }

  /** What was refused is put aside and shown, not sent for ever. */
  forget(kept, refused) {
    const why = new Map(refused.map((one) => [one.uuid, one.why]));
    const here = new Set([...kept, ...why.keys()]);
    const aside = this.kept.events.filter((event) => why.has(event.uuid)).map((event) => ({ ...event, why: why.get(event.uuid) }));
    this.kept.refused = [...this.kept.refused, ...aside].slice(-50);
    this.kept.events = this.kept.events.filter((event) => !here.has(event.uuid));
    this.save();
    if (this.waiting === 0 && this.run?.over && !this.run.emergency?.open && !this.kept.refused.length) localStorage.removeItem(this.key);
  }
}

/** Any page sends what an earlier one could not. */
export function sendLeftovers() {
  for (const key of Object.keys(localStorage)) {
    if (key.startsWith(PREFIX)) new Journal(key.slice(PREFIX.length)).send();
  }
}
