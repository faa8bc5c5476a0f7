// A planned session is carried: by the mouse, or by keys. While it is carried the days say whether it may lie there,
// and why not.
import Alpine from "../vendor/alpine-csp.esm.js";
import { heard } from "./letters.js";

const REST = "To move a session, open it; or drag it; or focus it and press M, then the arrows and Enter.";
const STEPS = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

export function carry() {
  let choices = [];
  let mark = null;
  let aim = null;

  const cells = (root) => [...root.querySelectorAll("td[data-date]")];
  const openOn = (date) => choices.filter((choice) => choice.date === date && !choice.refusal && !choice.here);
  const whyNot = (date) =>
    choices.find((choice) => choice.date === date)?.refusal ?? "No slot of that day is near enough.";

  return {
    words: REST,

    init() {
      for (const one of this.$refs.grid.querySelectorAll("[data-planned]")) one.draggable = true;
    },

    async pick(one) {
      mark = one;
      const answer = await fetch(`/planned/${one.dataset.planned}/choices.json`);
      choices = answer.ok ? await answer.json() : [];
      one.classList.add("carried");
      for (const cell of cells(this.$refs.grid)) {
        const known = choices.some((choice) => choice.date === cell.dataset.date);
        cell.classList.toggle("may", openOn(cell.dataset.date).length > 0);
        cell.classList.toggle(
          "may-not",
          !known ||
            (openOn(cell.dataset.date).length === 0 &&
              !choices.some((choice) => choice.here && choice.date === cell.dataset.date)),
        );
      }
      this.words = choices.length ? "Picked up. The marked days are open." : "It can't be moved.";
    },
    say(date) {
      const open = openOn(date);
      this.words = open.length
        ? `${date}: open at ${open.map(({ at }) => at).join(", ")}. Enter puts it down.`
        : `${date}: ${whyNot(date)}`;
    },
    put(date) {
      const [first] = openOn(date);
      if (!first) return this.say(date);
      this.$refs.form.action = `/planned/${mark.dataset.planned}/move`;
      this.$refs.date.value = first.date;
      this.$refs.at.value = first.at_min;
      this.$refs.seen.value = first.seen;
      this.$refs.form.submit();
    },
    cancel() {
      mark?.classList.remove("carried");
      for (const cell of cells(this.$refs.grid)) cell.classList.remove("may", "may-not", "aimed");
      mark = aim = null;
      choices = [];
      this.words = REST;
    },

    dragStart(event) {
      const one = event.target.closest?.("[data-planned]");
      if (!one) return;
      event.dataTransfer.setData("text/plain", one.dataset.planned);
      this.pick(one);
    },
    dragOver(event) {
      const cell = event.target.closest("td[data-date]");
      if (!cell || !mark) return;
      if (openOn(cell.dataset.date).length) event.preventDefault();
      this.say(cell.dataset.date);
    },
    drop(event) {
      event.preventDefault();
      const cell = event.target.closest("td[data-date]");
      if (cell && mark) this.put(cell.dataset.date);
    },

    async key(event) {
      if (event.ctrlKey || event.metaKey || event.altKey || event.target.matches("input, select, textarea")) return;
      if (!mark) {
        const one = document.activeElement?.closest?.("[data-planned]");
        if (event.key.toLowerCase() !== "m" || !one || !heard(event.code)) return;
        await this.pick(one);
        aim = one.closest("td");
        return aim.classList.add("aimed");
      }
      if (event.key === "Escape") return this.cancel();
      if (event.key === "Enter") {
        event.preventDefault();
        return this.put(aim.dataset.date);
      }
      if (!(event.key in STEPS)) return;
      event.preventDefault();
      const all = cells(this.$refs.grid);
      const next = all[all.indexOf(aim) + STEPS[event.key]];
      if (!next) return;
      aim.classList.remove("aimed");
      aim = next;
      aim.classList.add("aimed");
      aim.scrollIntoView({ block: "nearest", inline: "nearest" });
      this.say(aim.dataset.date);
    },
  };
}

Alpine.data("carry", carry);
