// What is sent as one piece and waits in the browser until the server has it: each under its own uuid, so that sending
// twice changes nothing. It is whose page it was put away on, and goes up from their pages alone.
import { clock } from "./clock.js";
import { person, whose } from "./person.js";
import { readable, store } from "./store.js";

// It will not be taken, however often it is sent: what is wrong with it is said; whoever it is of is not here any more.
const REFUSED = [404, 410, 422];
// What the storage of this browser does not take: here as long as the page is open.
const here = new Map();

async function post(path, body, renewed = false) {
  const token = document.querySelector("meta[name=csrf-token]");
  const answer = await fetch(path, {
    method: "POST",
    headers: { "Content-Type": "application/json", "X-CSRF-Token": token.content },
    body: JSON.stringify(body),
  });
  if (answer.status === 403 && !renewed) {
    token.content = (await (await fetch("/token")).json()).token;
    return post(path, body, true);
  }
  return answer;
}

/** @returns what waits of this person */
export const pieces = async () => [
  ...((await readable(store.pieces())) ?? []).filter(
    (piece) => !here.has(piece.uuid) && (piece.person ?? person()) === person(),
  ),
  ...here.values(),
];

/** @returns whether something would be lost with the page */
export const onlyHere = () => here.size > 0;

async function keep(piece) {
  try {
    await store.putPiece(piece);
    here.delete(piece.uuid);
  } catch {
    here.set(piece.uuid, piece);
  }
}

async function drop(uuid) {
  here.delete(uuid);
  await readable(store.dropPiece(uuid));
}

/** Puts something away to be sent; what stood there under the same uuid is replaced. */
export const put = (uuid, path, body) => keep({ uuid, path, body, person: whose(), wall: clock.wall() });

/** What was refused and has been read is left behind. */
export const leaveRefused = async () => {
  for (const { uuid, refused } of await pieces()) if (refused) await drop(uuid);
};

/** @returns how many pieces wait; what the server refuses is put aside and counts as refused */
export async function sendPieces() {
  for (const piece of (await pieces()).filter(({ refused }) => !refused)) {
    try {
      const ago_ms = Math.max(0, Math.round(clock.wall() - (piece.wall ?? clock.wall())));
      const answer = await post(piece.path, { ...piece.body, ago_ms });
      const now = (await pieces()).find(({ uuid }) => uuid === piece.uuid);
      // Changed meanwhile, it is sent again.
      if (JSON.stringify(now?.body) !== JSON.stringify(piece.body)) continue;
      if (answer.ok && !answer.redirected) await drop(piece.uuid);
      else if (REFUSED.includes(answer.status))
        await keep({ ...piece, refused: JSON.stringify((await answer.json()).errors) });
    } catch {
      break;
    }
  }
  return (await pieces()).length;
}
