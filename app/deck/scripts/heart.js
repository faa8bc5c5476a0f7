// The beat of a heart, tapped or read: a median of the last eight, so that one stray beat changes nothing.
const LAST = 8;
// Taps that it takes: three intervals between them.
const LEAST = 3;
const LIMITS = { least: 40, most: 120 };
// Whoever waits longer between two taps begins anew.
const PAUSE_MS = 3000;

export class Heart {
  constructor() {
    this.forget();
  }

  forget() {
    this.beats = [];
    this.lastMs = null;
  }

  /** @returns beats a minute, or null where it is not known yet */
  tap(atMs) {
    const interval = this.lastMs === null ? null : atMs - this.lastMs;
    if (interval === null || interval > PAUSE_MS) this.beats = [];
    else if (interval > 0) this.hear(60_000 / interval);
    this.lastMs = atMs;
    return this.perMinute;
  }

  /** @param perMinute as an oximeter reads it, or from one tap to the next */
  hear(perMinute) {
    this.beats = [...this.beats, perMinute].slice(-LAST);
    return this.perMinute;
  }

  get perMinute() {
    if (this.beats.length < LEAST) return null;
    const sorted = [...this.beats].sort((one, other) => one - other);
    const middle = sorted.length >> 1;
    const median = sorted.length % 2 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    return Math.min(LIMITS.most, Math.max(LIMITS.least, Math.round(median)));
  }
}
