// The page's clock, in milliseconds. `wall` goes on across a reload; `at` is the moment of a key or touch itself, not
// of the code that hears of it. A page may be given another clock before its scripts run: tests let time pass with one.
const real = {
  wall: () => performance.timeOrigin + performance.now(),
  at: (event) => performance.timeOrigin + (event.timeStamp || performance.now()),
};

export const clock = globalThis.windlassClock ?? real;

// A second press sooner than this is the same press.
export const TREMOR_MS = 300;

/** Whether a press is one of its own; remembers it where it is. Different keys do not mind each other. */
export class Presses {
  constructor() {
    this.last = new Map();
  }

  counts(what, atMs) {
    const again = atMs - (this.last.get(what) ?? -Infinity) < TREMOR_MS;
    if (!again) this.last.set(what, atMs);
    return !again;
  }
}

/** Calls back on every frame until the callback answers false. */
export function everyFrame(callback) {
  const frame = () => {
    if (callback() !== false) requestAnimationFrame(frame);
  };
  requestAnimationFrame(frame);
}

/** As it is typed into a field: `48.2`, `2:05.4` */
export function typedSeconds(ms) {
  const tenths = Math.round(ms / 100);
  if (tenths < 600) return (tenths / 10).toFixed(1);
  return `${Math.floor(tenths / 600)}:${((tenths % 600) / 10).toFixed(1).padStart(4, "0")}`;
}

/** @returns seconds of what was typed, `24,5` or `1:05`; NaN where it is neither */
export const secondsOf = (typed) =>
  typed
    .trim()
    .replace(",", ".")
    .split(":")
    .reduce((sum, part) => (part.trim() === "" ? NaN : sum * 60 + Number(part)), 0);

/** `0:48`, `2:05` */
export function clockWords(ms) {
  const seconds = Math.max(0, Math.ceil(ms / 1000 - 1e-6));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
}

/** Two digits. */
const two = (number) => String(number).padStart(2, "0");

/** @returns the day of this device, as it stands in a plan */
export function localDay(wall = clock.wall()) {
  const now = new Date(wall);
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
