// What was said here without a network, and was not taken when it came home: it is read once.
import Alpine from "../vendor/alpine-csp.esm.js";
import { leaveRefused, pieces } from "./outbox.js";

const AGAIN_MS = 2000;

export function refused() {
  return {
    words: "",

    init() {
      this.look();
      setInterval(() => this.look(), AGAIN_MS);
    },
    async look() {
      const why = (await pieces()).flatMap((piece) => (piece.refused ? Object.values(JSON.parse(piece.refused)) : []));
      this.words = why.length ? `What you said without a network was not taken: ${why.join("; ")}.` : "";
    },
    async leave() {
      await leaveRefused();
      await this.look();
    },
  };
}

Alpine.data("refused", refused);
