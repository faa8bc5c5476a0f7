// The surface clock: one key under, one key up; how long to stay up; signs half a minute after. On a telephone in a
// bag, in the sun, without a network.
import Alpine from "../vendor/alpine-csp.esm.js";
import { clock, clockWords, everyFrame, Presses } from "./clock.js";
import { card } from "./emergency.js";
import { heard } from "./letters.js";
import { onlyHere, pieces, put, sendPieces } from "./outbox.js";
import { NO_ROOM } from "./store.js";
import { Diver } from "./surface.js";
import { rememberSurface } from "./surface_today.js";
import { uuid } from "./uuid.js";
import { WakeLock } from "./wake_lock.js";

const SEND_MS = 4000;
// Nobody is under for longer: what stands there from before is forgotten.
const LONGEST_MS = 20 * 60_000;
// The most that may be typed of a dive.
const MOST = { depth_m: 200, weight_kg: 40 };

export function water() {
  let divers, plan, sections, wakeLock;
  const presses = new Presses();

  return {
    ...card(
      () => undefined,
      () => undefined,
    ),
    kept: "",
    warning: "",

    async init() {
      plan = JSON.parse(document.getElementById("plan").textContent);
      divers = plan.divers.map((one) => new Diver(one, plan.rules));
      rememberSurface(plan.divers.map(({ id }) => id));
      await this.comeBack();
      sections = [...this.$root.querySelectorAll("[data-diver]")].map((section) => ({
        section,
        written: {},
        parts: Object.fromEntries(
          [...section.querySelectorAll("[data-part]")].map((part) => [part.dataset.part, part]),
        ),
      }));
      wakeLock = new WakeLock();
      wakeLock.keep(true);
      this.send();
      setInterval(() => this.send(), SEND_MS);
      window.addEventListener("online", () => this.send());
      everyFrame(() => this.show());
    },

    /** What this device knows of today is there again after a reload, whether or not the server has it. */
    async comeBack() {
      const waiting = (await pieces()).filter(({ path }) => path === "/dives").map(({ body }) => body);
      for (const diver of divers) {
        for (const dive of waiting.filter(({ athlete_id: id }) => id === diver.id))
          diver.dives = [...diver.dives.filter(({ uuid }) => uuid !== dive.uuid), dive];
        diver.dives.sort((one, other) => one.down_ms - other.down_ms);
        const downMs = Number(localStorage.getItem(`windlass.under.${diver.id}`));
        diver.downMs = clock.wall() - downMs < LONGEST_MS ? downMs : null;
      }
    },

    key(event) {
      if (document.querySelector("dialog[open]") || event.target.matches("input") || event.repeat || !heard(event.code))
        return;
      if (event.code === "KeyE") return this.emergency(event);
      const at = Number(event.key) - 1;
      if (divers?.[at]) this.act(at, event);
    },
    tap(event) {
      this.act(Number(event.currentTarget.dataset.at), event);
    },

    /** Under, or up. */
    act(at, event) {
      const diver = divers[at];
      const now = clock.at(event);
      if (diver.ended || !presses.counts(at, now)) return;
      if (diver.under) this.keep(diver, diver.up(now, uuid()));
      else diver.down(now);
      if (diver.under) localStorage.setItem(`windlass.under.${diver.id}`, String(diver.downMs));
      else localStorage.removeItem(`windlass.under.${diver.id}`);
    },

    async keep(diver, dive) {
      await put(dive.uuid, "/dives", { ...dive, athlete_id: diver.id, buddy: diver.buddy });
      this.send();
    },

    async send() {
      const waiting = await sendPieces();
      this.kept = [waiting === 0 ? "Saved" : `${waiting} not sent yet`, onlyHere() && NO_ROOM]
        .filter(Boolean)
        .join(" · ");
    },

    sign(event) {
      const { at, sign } = event.currentTarget.dataset;
      const diver = divers[Number(at)];
      if (!diver.last) return;
      diver.last.signs = sign;
      this.keep(diver, diver.last);
      if (diver.ended) this.emergency(event);
    },
    hard(event) {
      this.turn(event, "hard");
    },
    line(event) {
      this.turn(event, "line");
    },
    turn(event, what) {
      const diver = divers[Number(event.currentTarget.dataset.at)];
      if (!diver.last) return;
      diver.last[what] = !diver.last[what];
      this.keep(diver, diver.last);
    },

    /** What is typed of the last dive; a number that can't be stays in its field, marked, and is not kept. */
    fill(event) {
      const { at, field } = event.currentTarget.dataset;
      const diver = divers[Number(at)];
      const typed = event.currentTarget.value.trim();
      const number = Number(typed.replace(",", "."));
      const wrong = field in MOST && !(number >= 0 && number <= MOST[field]);
      event.currentTarget.setAttribute("aria-invalid", String(wrong));
      if (!diver.last || wrong) return;
      diver.last[field] = field in MOST ? (typed === "" ? null : number) : typed;
      this.keep(diver, diver.last);
    },

    show() {
      const now = clock.wall();
      divers.forEach((diver, at) => this.showDiver(diver, sections[at], now));
      const both = divers.find(
        (diver) => diver.under && divers.some((other) => other !== diver && other.pair === diver.pair && other.under),
      );
      this.warning = both ? `${both.name} and ${both.buddy} are both under: one up, one down.` : "";
    },

    showDiver(diver, { section, parts, written }, now) {
      const sinceUp = diver.upMs === null ? null : now - diver.upMs;
      const rests = !diver.under && diver.mayMs !== null && now < diver.mayMs;
      const asks = !diver.under && diver.last && diver.last.signs === "" && sinceUp >= plan.signs_after_s * 1000;
      const [state, figure] = diver.ended
        ? ["no dive any more today", ""]
        : diver.under
          ? ["under", clockWords(Math.floor((now - diver.downMs) / 1000) * 1000)]
          : rests
            ? ["stays up", clockWords(diver.mayMs - now)]
            : ["may dive", diver.upMs === null ? "" : `up ${clockWords(Math.floor(sinceUp / 1000) * 1000)}`];
      const { length } = diver.dives;
      const values = {
        state: asks ? `${state} · signs?` : state,
        figure,
        act: diver.under ? "Up" : rests ? "Under, too early" : "Under",
        about: `with ${diver.buddy}${length ? ` · ${length} ${length === 1 ? "dive" : "dives"}` : ""}`,
      };
      for (const [part, words] of Object.entries(values))
        if (written[part] !== words) parts[part].textContent = written[part] = words;
      parts.act.disabled = diver.ended;
      parts.after.hidden = diver.under || !diver.last;
      for (const what of ["hard", "line"])
        parts[what].setAttribute("aria-pressed", String(diver.last?.[what] ?? false));
      for (const button of section.querySelectorAll("[data-sign]"))
        button.setAttribute("aria-pressed", String(button.dataset.sign === diver.last?.signs));
      section.classList.toggle("under", diver.under);
      section.classList.toggle("asks", Boolean(asks));
      section.classList.toggle("rests", rests);
      if (written.uuid !== diver.last?.uuid) {
        written.uuid = diver.last?.uuid;
        for (const input of section.querySelectorAll("[data-field]")) {
          input.value = diver.last?.[input.dataset.field] ?? "";
          input.setAttribute("aria-invalid", "false");
        }
      }
    },
  };
}

Alpine.data("water", water);
