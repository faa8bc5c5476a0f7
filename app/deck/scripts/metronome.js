// A pulse that goes on when the page is hidden or throttled: a worker's timers are not slowed down with it.
const PULSE_MS = 50;

/** Calls back twenty times a second, for as long as the page lives. */
export function everyPulse(callback) {
  const worker = new Worker(new URL("./pulse.js", import.meta.url));
  worker.onmessage = () => callback();
  worker.postMessage(PULSE_MS);
}
