// A sensor that is read directly: chosen once by hand, heard from then on, and looked for when it goes away.
import { clock } from "./clock.js";

// So long after it was lost it is looked for again; the last of them from then on.
const AGAIN_MS = [500, 1000, 2000, 5000, 10_000];
// A sensor that says nothing for so long is silent.
const SILENT_MS = 4000;

export class Sensor {
  /**
   * @param bluetooth of the browser, or a stand-in
   * @param kind { service, characteristic } by their numbers
   * @param read makes a reading of bytes
   * @param told called with each reading, with null where it went away or came back
   */
  constructor(bluetooth, { service, characteristic }, read, told) {
    Object.assign(this, { bluetooth, service, characteristic, read, told });
    this.wanted = false;
    this.lost = false;
    this.tries = 0;
  }

  /** Only from a press: the browser asks which one. */
  async choose() {
    this.device = await this.bluetooth.requestDevice({ filters: [{ services: [this.service] }] });
    this.device.addEventListener("gattserverdisconnected", () => this.goneAway());
    this.wanted = true;
    await this.listen();
  }

  get name() {
    return this.device?.name || "sensor";
  }

  /** Milliseconds without a word of it, where it was heard and ought to be heard. */
  get silentMs() {
    const silent = this.wanted && this.heardAt !== undefined ? clock.wall() - this.heardAt : 0;
    return silent > SILENT_MS ? silent : 0;
  }

  async listen() {
    const server = await this.device.gatt.connect();
    const value = await (await server.getPrimaryService(this.service)).getCharacteristic(this.characteristic);
    value.addEventListener("characteristicvaluechanged", ({ target }) => this.hear(target.value));
    await value.startNotifications();
    this.heardAt = clock.wall();
    this.lost = false;
    this.tries = 0;
    this.told(null);
  }

  hear(bytes) {
    if (!this.wanted) return;
    this.heardAt = clock.wall();
    this.told(this.read(bytes));
  }

  goneAway() {
    if (!this.wanted) return;
    this.lost = true;
    this.told(null);
    this.lookAgain();
  }

  lookAgain() {
    const waitMs = AGAIN_MS[Math.min(this.tries, AGAIN_MS.length - 1)];
    this.tries += 1;
    setTimeout(async () => {
      if (!this.wanted || !this.lost) return;
      try {
        await this.listen();
      } catch {
        this.lookAgain();
      }
    }, waitMs);
  }

  leave() {
    this.wanted = false;
    this.lost = false;
    this.heardAt = undefined;
    this.device?.gatt.disconnect();
  }
}
