// How long to stay up after a dive, as the core reckons it (`Water::Surface`), for a clock without a network. The
// figures come with the page.

/** @param dive {seconds, depth_m, hard} */
export function neededS({ seconds, depth_m: depth, hard }, rules) {
  const byDepth = (depth ?? 0) >= rules.deep_from_m ? depth * rules.minutes_a_metre * 60 : 0;
  return Math.max(seconds * rules.times_dive, rules.least_s, byDepth) * (rules.margin ?? 1) * (hard ? rules.hard : 1);
}

/** A diver: what was dived, and how it stands with them. */
export class Diver {
  constructor({ id, name, pair, buddy, dives }, rules) {
    Object.assign(this, { id, name, pair, buddy, dives, rules, downMs: null });
  }

  get under() {
    return this.downMs !== null;
  }
  get last() {
    return this.dives.at(-1);
  }
  /** Something happened: no dive any more today. */
  get ended() {
    return this.dives.some(({ signs }) => signs === "shaking" || signs === "blackout");
  }
  get upMs() {
    return this.last ? this.last.down_ms + this.last.seconds * 1000 : null;
  }
  get mayMs() {
    return this.last ? this.upMs + neededS(this.last, this.rules) * 1000 : null;
  }

  down(atMs) {
    if (!this.ended) this.downMs = atMs;
  }

  /** @returns the dive that ended */
  up(atMs, uuid) {
    const dive = {
      uuid,
      down_ms: Math.round(this.downMs),
      seconds: Math.max(1, Math.round((atMs - this.downMs) / 100) / 10),
      depth_m: null,
      hard: false,
      signs: "",
    };
    this.downMs = null;
    this.dives.push(dive);
    return dive;
  }
}
