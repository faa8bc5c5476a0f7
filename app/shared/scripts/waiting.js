// On every page: what waits on this device is sent, and it is said how much waits.
import { Journal } from "./journal.js";
import { sendPieces } from "./outbox.js";
import { rememberPerson } from "./person.js";
import { readable, store } from "./store.js";

const AGAIN_MS = 20_000;

export function tellWaiting() {
  rememberPerson();
  const line = document.querySelector("[data-waiting]");
  const waiting = async () => (await readable(store.waiting())) ?? [];
  const tell = async () => {
    const count = (await waiting()).length;
    if (line) {
      line.hidden = count === 0;
      line.textContent = `${count} ${count === 1 ? "session waits" : "sessions wait"} on this device for the server.`;
    }
    return count;
  };
  const send = async () => {
    sendPieces();
    if ((await tell()) === 0 || document.getElementById("plan")) return;
    for (const session of await waiting()) await (await Journal.open(session, tell)).send();
    tell();
  };
  send();
  window.addEventListener("online", send);
  setInterval(send, AGAIN_MS);
}
