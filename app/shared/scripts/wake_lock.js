// Keeps the screen awake while something runs, where the browser can. A hidden page loses the lock; it is asked for
// again when it is seen again.
export class WakeLock {
  constructor() {
    this.wanted = false;
    document.addEventListener("visibilitychange", () => {
      if (this.wanted && document.visibilityState === "visible") this.ask();
    });
  }

  /** @param wanted whether something runs now */
  keep(wanted) {
    if (wanted === this.wanted) return;
    this.wanted = wanted;
    if (wanted) this.ask();
    else this.release();
  }

  async ask() {
    try {
      this.lock = await navigator.wakeLock?.request("screen");
      if (!this.wanted) this.release();
    } catch {
      // A low battery or a policy may say no: the session goes on all the same.
    }
  }

  release() {
    this.lock?.release();
    this.lock = undefined;
  }
}
