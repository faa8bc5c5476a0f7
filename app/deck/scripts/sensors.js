// On the deck: what a finger oximeter and a heart belt say. It is shown and written down as it comes; a reading that is
// too low ends the holds, and no reading ever makes anything longer.
import { Heart } from "./heart.js";
import { Sensor } from "./sensor.js";
import { BELT, OXIMETER, readBelt, readOximeter } from "./sensor_bytes.js";
import { StandIn } from "./stand_in.js";

const KINDS = {
  oximeter: { ...OXIMETER, read: readOximeter, name: "Oximeter" },
  belt: { ...BELT, read: readBelt, name: "Belt" },
};
// As the log takes them; and one a second, the lowest.
const SATURATION = { least: 30, most: 100 };
const EACH_MS = 1000;
// One stray reading ends nothing.
const LOW_READINGS = 2;

/**
 * What the deck gets for it.
 * @param lane answers the lane
 * @param plan answers the plan: saturation_limit, what is said under it, and whether a stand-in may play
 */
export function sensors(lane, plan) {
  const heart = new Heart();
  // Sensors that were joined, and what each said last, by kind.
  const joined = {};
  const newest = {};
  let standIn;
  let low = 0;
  let written = { at: -Infinity, value: Infinity };

  const heard = (kind) => joined[kind]?.wanted && !joined[kind].lost && !joined[kind].silentMs;
  /** How a sensor does that gives no figures just now. */
  const trouble = (kind) => {
    const { name } = KINDS[kind];
    const { lost, silentMs } = joined[kind];
    if (lost) return `${name} lost: looking for it`;
    if (silentMs) return `${name} silent for ${Math.floor(silentMs / 1000)} s`;
    if (!newest[kind]) return `${name}: no reading yet`;
    return newest[kind].fault ? `${name}: ${newest[kind].fault}` : null;
  };
  const saturation = () => {
    const { saturation: percent, doubt } = newest.oximeter;
    if (percent === null) return "Oximeter: no reading";
    return `${Math.round(percent)} %${doubt ? ` (${doubt})` : ""}`;
  };
  /** The belt's, or the finger's where there is no belt that gives one. */
  const pulse = () => {
    const kind = ["belt", "oximeter"].find((one) => heard(one) && newest[one] && !newest[one].fault);
    return kind && newest[kind].pulse ? `${Math.round(newest[kind].pulse)} a minute` : null;
  };

  return {
    reading: "",
    measuring: false,
    pulseLeads: false,
    simulating: false,
    readsSensors: "bluetooth" in navigator,
    sensorFault: "",
    joinedKinds: {},

    // Something can be read here, or may be played.
    measurable: false,

    readySensors() {
      this.measurable = this.readsSensors || plan().simulated;
    },
    openSensors() {
      if (!this.measurable) return;
      document.getElementById("sensors").showModal();
    },
    /** Space is to start, and not to open this again. */
    sensorsClosed() {
      document.querySelector("[data-main]").focus();
    },
    isJoined(kind) {
      return Boolean(this.joinedKinds[kind]);
    },

    joinOrLeave(event) {
      const { sensor } = event.currentTarget.dataset;
      return this.isJoined(sensor) ? this.leaveSensor(sensor) : this.joinSensor(sensor, navigator.bluetooth);
    },
    async joinSensor(kind, bluetooth) {
      const sensor = new Sensor(bluetooth, KINDS[kind], KINDS[kind].read, (reading) => this.hearSensor(kind, reading));
      this.sensorFault = "";
      try {
        await sensor.choose();
        joined[kind] = sensor;
      } catch (fault) {
        sensor.leave();
        // Who closes the list has chosen none.
        if (fault.name !== "NotFoundError") this.sensorFault = `${KINDS[kind].name} not joined: ${fault.message}`;
      }
      this.sensorsChanged();
    },
    leaveSensor(kind) {
      joined[kind]?.leave();
      delete joined[kind];
      delete newest[kind];
      this.sensorsChanged();
    },
    sensorsChanged() {
      this.joinedKinds = Object.fromEntries(Object.keys(joined).map((kind) => [kind, true]));
      this.measuring = Object.keys(joined).length > 0;
      this.pulseLeads &&= this.measuring;
    },

    /** A stand-in plays what the model says of this session, in the bytes of a sensor. */
    async simulate() {
      this.simulating = !this.simulating;
      standIn?.stop();
      for (const kind of Object.keys(KINDS)) this.leaveSensor(kind);
      if (!this.simulating) return;
      standIn = new StandIn(plan().uuid);
      for (const kind of Object.keys(KINDS)) await this.joinSensor(kind, standIn);
      this.followRun();
    },
    /** It plays along with what is really done. */
    followRun() {
      if (!this.simulating) return;
      const { run } = lane();
      if (run.started && run.live && !run.paused && !run.quiet) standIn.playFrom(run.planned);
      else standIn.rest();
    },

    hearSensor(kind, reading) {
      // What it said before it went away says nothing of now.
      if (!reading) return delete newest[kind];
      newest[kind] = reading;
      if (reading.fault) return undefined;
      this.hearHeart(kind, reading);
      if (kind === "oximeter" && !reading.doubt && reading.saturation !== null) this.hearSaturation(reading.saturation);
      return undefined;
    },

    hearHeart(kind, { pulse: perMinute, intervals = [] }) {
      if (kind === "oximeter" && heard("belt") && !newest.belt?.fault) return;
      if (intervals.length) for (const ms of intervals) heart.hear(60_000 / ms);
      else if (perMinute) heart.hear(perMinute);
      if (this.pulseLeads) this.followBeat(heart.perMinute);
    },

    hearSaturation(percent) {
      const { run, journal } = lane();
      const value = Math.round(percent);
      if (value < SATURATION.least || value > SATURATION.most || !run.live || run.paused || run.waiting) return;
      const at = run.now();
      if (at - written.at >= EACH_MS - 100 || value < written.value) {
        written = { at, value };
        journal.put("oximeter", at, { value: String(value) });
      }
      low = value < plan().saturation_limit ? low + 1 : 0;
      if (low >= LOW_READINGS && !run.quiet) this.tooLow(value);
    },

    /** What the judge eases by ends the holds while they run: quiet breathing from here, and it is said aloud. */
    tooLow(value) {
      lane().run.quietFromHere();
      lane().call(plan().said_when_low.map((clip) => [clip]));
      this.sensorFault = `${value} % at the finger, under ${plan().saturation_limit} %: no hold follows.`;
    },

    showReadings() {
      const words = [];
      if (joined.oximeter) words.push(trouble("oximeter") ?? saturation());
      if (joined.belt && trouble("belt")) words.push(trouble("belt"));
      this.reading = [...words, this.measuring ? pulse() : null].filter(Boolean).join(" · ");
    },
  };
}
