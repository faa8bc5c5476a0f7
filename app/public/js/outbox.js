// What is sent as one piece and waits in the browser until the server has it: each under its own uuid, so that sending twice changes nothing.
import { store } from "./store.js";

async function post(path, body, renewed = false) {
  const token = document.querySelector("meta[name=csrf-token]");
  const answer = await fetch(path, { method: "POST", headers: { "Content-Type": "application/json", "X-CSRF-Token": token.content }, body: JSON.stringify(body) });
  if (answer.status === 403 && !renewed) {
    token.content = (await (await fetch("/token")).json()).token;
    return post(path, body, true);
  }
  return answer;
}

/** Puts something away to be sent; what stood there under the same uuid is replaced. */
export const put = (uuid, path, body) => store.putPiece({ uuid, path, body });

/** @returns how many pieces wait; what the server refuses is put aside and counts as refused */
export async function sendPieces() {
  const pieces = await store.pieces();
  for (const piece of pieces.filter(({ refused }) => !refused)) {
    try {
      const answer = await post(piece.path, piece.body);
      const now = (await store.pieces()).find(({ uuid }) => uuid === piece.uuid);
      // Changed meanwhile, it is sent again.
      if (JSON.stringify(now?.body) !== JSON.stringify(piece.body)) continue;
      if (answer.ok) await store.dropPiece(piece.uuid);
      else if (answer.status === 422) await store.putPiece({ ...piece, refused: JSON.stringify((await answer.json()).errors) });
    } catch {
      break;
    }
  }
  return (await store.pieces()).length;
}
