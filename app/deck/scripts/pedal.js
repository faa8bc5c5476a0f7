// Pedals, clickers and headset buttons: any key can be taught what it does here, or one button does three things by how
// it is pressed. Kept on the device.
const TAUGHT = "windlass.pedal";
const LONG_MS = 600;
const DOUBLE_MS = 400;
// A single button: a press, a long press, two presses.
const ONE = "one";

export class Pedal {
  /** @param act called with what is to be done, and the event of the press that it was */
  constructor(act) {
    this.act = act;
    this.taught = JSON.parse(localStorage.getItem(TAUGHT) ?? "{}");
  }

  /** @returns what a key was taught; undefined where nothing */
  of(event) {
    return this.taught[name(event)];
  }

  teach(event, what) {
    for (const [key, deed] of Object.entries(this.taught)) if (deed === what) delete this.taught[key];
    this.taught[name(event)] = what;
    this.keep();
  }

  forget() {
    this.taught = {};
    this.keep();
  }

  keep() {
    localStorage.setItem(TAUGHT, JSON.stringify(this.taught));
  }

  /** @returns the key that does it, in words */
  keyOf(what) {
    return Object.entries(this.taught).find(([, deed]) => deed === what)?.[0] ?? "none";
  }

  /** @returns whether the key was one of the taught ones */
  down(event) {
    const what = this.of(event);
    if (!what || event.repeat) return Boolean(what);
    if (what !== ONE) this.act(what, event);
    else this.press(event);
    return true;
  }

  press(event) {
    if (this.waiting) {
      this.settle();
      this.act("contraction", event);
      this.done = true;
      return;
    }
    this.done = false;
    this.first = event;
    this.long = setTimeout(() => {
      this.done = true;
      this.act("urge", event);
    }, LONG_MS);
  }

  up(event) {
    if (this.of(event) !== ONE) return;
    clearTimeout(this.long);
    const { first } = this;
    // The press that taught it is none.
    if (this.done || !first) return;
    this.first = undefined;
    this.waiting = setTimeout(() => {
      this.settle();
      this.act("main", first);
    }, DOUBLE_MS);
  }

  settle() {
    clearTimeout(this.waiting);
    this.waiting = null;
  }
}

/** Pedals often send keys without a place on a keyboard. */
const name = (event) => event.code || event.key;
