// Readings of an oximeter, one a second. They come from the server, which simulates the device, half a minute at a
// time; a real one would call the same `onReading`.
const SECOND_MS = 1000;

export class Oximeter {
  constructor(session, onReading) {
    this.session = session;
    this.onReading = onReading;
  }

  get running() {
    return this.timer !== undefined;
  }

  /** @param plannedMs the moment of the plan from which readings are wanted */
  start(plannedMs) {
    this.stop();
    this.readings = [];
    this.nextMs = plannedMs;
    this.timer = setInterval(() => this.play(), SECOND_MS);
    this.fetch();
  }

  play() {
    const reading = this.readings.shift();
    if (reading) this.onReading(reading);
    else this.fetch();
  }

  async fetch() {
    const timer = this.timer;
    try {
      const answer = await fetch(`/sessions/${this.session}/oximeter?at=${Math.round(this.nextMs)}`);
      const { readings } = await answer.json();
      if (timer !== this.timer || !readings?.length) return;
      this.readings = readings;
      this.nextMs += readings.length * SECOND_MS;
    } catch {
      // The network is gone: the next second tries again.
    }
  }

  stop() {
    clearInterval(this.timer);
    this.timer = undefined;
  }
}
