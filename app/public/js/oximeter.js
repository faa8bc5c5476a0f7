// Readings of an oximeter as they come: one a second from the server, which simulates the device. A real one would call
// the same `onReading`.
export class Oximeter {
  constructor(session, onReading) {
    this.session = session;
    this.onReading = onReading;
  }

  get running() {
    return this.source !== undefined;
  }

  /** @param plannedMs the moment of the plan from which readings are wanted */
  start(plannedMs) {
    this.stop();
    this.source = new EventSource(`/sessions/${this.session}/oximeter?at=${Math.round(plannedMs)}`);
    this.source.onmessage = (event) => this.onReading(JSON.parse(event.data));
    this.source.onerror = () => this.stop();
  }

  stop() {
    this.source?.close();
    this.source = undefined;
  }
}
