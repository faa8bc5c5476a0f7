// Stands in for the browser's Bluetooth: an oximeter and a belt that send the bytes of the published services. What
// they say comes from the server, which asks the model, half a minute at a time.
import { OXIMETER } from "./sensor_bytes.js";

const SECOND_MS = 1000;
const bytes = (hex) => new DataView(Uint8Array.from(hex.match(/../g), (byte) => parseInt(byte, 16)).buffer);

/** One characteristic, its service, its server and its device: all that a sensor asks of any of them. */
class Device extends EventTarget {
  constructor(service) {
    super();
    this.kind = service === OXIMETER.service ? "oximeter" : "belt";
    this.name = "Simulated";
    this.gatt = this;
  }
  async connect() {
    return this;
  }
  async getPrimaryService() {
    return this;
  }
  async getCharacteristic() {
    return this;
  }
  async startNotifications() {
    this.sending = true;
  }
  disconnect() {
    this.sending = false;
  }
  send(hex) {
    if (!this.sending) return;
    this.value = bytes(hex);
    this.dispatchEvent(new Event("characteristicvaluechanged"));
  }
}

export class StandIn {
  constructor(session) {
    this.session = session;
    this.devices = [];
    this.rest();
    this.timer = setInterval(() => this.play(), SECOND_MS);
  }

  async requestDevice({ filters }) {
    this.devices.push(new Device(filters[0].services[0]));
    return this.devices.at(-1);
  }

  /** @param plannedMs the moment of the plan from which it is wanted */
  playFrom(plannedMs) {
    this.seconds = [];
    this.nextMs = plannedMs;
    this.fetch();
  }
  /** Goes on saying what it said last: nobody knows what the body does. */
  rest() {
    this.seconds = [];
    this.nextMs = null;
  }
  stop() {
    clearInterval(this.timer);
    this.rest();
  }

  play() {
    this.newest = this.seconds.shift() ?? this.newest;
    if (this.newest) for (const device of this.devices) device.send(this.newest[device.kind]);
    if (!this.seconds.length && this.nextMs !== null) this.fetch();
  }

  async fetch() {
    const from = this.nextMs;
    if (this.fetching === from) return;
    this.fetching = from;
    try {
      const { readings } = await (await fetch(`/sessions/${this.session}/oximeter?at=${Math.round(from)}`)).json();
      if (from !== this.nextMs || !readings?.length) return;
      this.seconds = readings;
      this.nextMs += readings.length * SECOND_MS;
    } catch {
      // The network is gone: the next second tries again.
    } finally {
      this.fetching = null;
    }
  }
}
