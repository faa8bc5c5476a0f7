// What answers in the place of a server that is away.
const WORKER = "/sw.js";

/**
 * The application answers by itself from now on, where the browser lets it: only on this machine, or over an encrypted
 * way.
 */
export async function installWorker() {
  if (!("serviceWorker" in navigator)) return null;
  try {
    return await navigator.serviceWorker.register(WORKER);
  } catch {
    return null;
  }
}

/** Waits until it answers. Fails where it could not be put away: there was no room, or the network went. */
export const answering = ({ active, installing, waiting }) =>
  active ??
  new Promise((done, failed) => {
    const worker = installing ?? waiting;
    const look = () => {
      if (worker.state === "activated") done(worker);
      else if (worker.state === "redundant") failed(new Error("the parts of the application could not be put away"));
    };
    worker.addEventListener("statechange", look);
    look();
  });
