// What is taken along on this device, for a day without a network. Its decks lie in the service worker's cache, with
// all parts of the application; what is marked in them lies beside, until the server has it.
import { pathsOf } from "./open_set.js";
import { store } from "./store.js";
import { addressOf, speech } from "./voice.js";

/** Puts a deck away, with its words. Fails where there is no network, or no room. */
export async function take(cache, { path }) {
  const answer = await fetch(path);
  if (!answer.ok || answer.redirected) throw new Error(`not taken along: ${answer.status}`);
  await takeWords(cache, await answer.clone().text());
  await cache.put(path, answer);
}

/** The words of a deck as this device likes them: those that do not lie with the parts of the application. */
export async function takeWords(cache, page) {
  const { words } = JSON.parse(
    new DOMParser().parseFromString(page, "text/html").getElementById("plan").textContent,
  );
  for (const word of words) {
    const address = addressOf(word, speech().voice);
    if (!(await caches.match(address, { ignoreVary: true }))) await cache.add(address).catch(() => {});
  }
}

/** Days before today are over: what was taken along for them is left behind. */
export async function leaveBehind(today) {
  for (const row of await store.along()) {
    if (row.day >= today) continue;
    await store.dropAlong(row.path);
    for (const name of await caches.keys())
      for (const path of pathsOf(row)) await (await caches.open(name)).delete(path);
  }
}
