// Cues that are felt, for a quiet hall: the same moments as the tones, where the device can.
const PATTERNS = {
  in: [90],
  out: [50, 60, 50],
  sound: [50, 60, 50],
  hold_full: [220],
  hold_empty: [220],
  breathe: [50, 60, 50, 60, 50],
  tick: [20],
  accent: [30],
  call: [60, 40, 60],
  end: [90, 60, 90, 60, 220],
};

export class Buzz {
  constructor() {
    this.on = false;
    this.timers = [];
  }

  /** @param cues [{kind, inMs}] from now */
  schedule(cues) {
    if (!this.on || !navigator.vibrate) return;
    for (const { kind, inMs } of cues)
      if (PATTERNS[kind] && inMs >= 0) this.timers.push(setTimeout(() => navigator.vibrate(PATTERNS[kind]), inMs));
  }

  silence() {
    for (const timer of this.timers) clearTimeout(timer);
    this.timers = [];
  }
}
