// Morning scores of several: Enter goes down, and a column of a spreadsheet falls into its rows.
import Alpine from "../vendor/alpine-csp.esm.js";

const fields = (within) => [...within.querySelectorAll("input.seconds")];
// Names are the same however they are written.
const plain = (text) => text.trim().toLowerCase().normalize("NFD").replace(/\p{M}/gu, "").replace(/\s+/g, " ");
const cells = (line) => line.split(/\t|;/).map((cell) => cell.trim());

/** What a pasted text says: [name or null, seconds] line by line; lines without a figure are heads. */
export function linesOf(text) {
  return text
    .split(/\r\n|\r|\n/)
    .map(cells)
    .map((row) => [row.find((cell) => /\p{L}/u.test(cell) && !figure(cell)) ?? null, row.find(figure)])
    .filter(([, seconds]) => seconds);
}
const figure = (cell) => /^\d+([.,:]\d+)?( ?s)?$/.test(cell);

export function mornings() {
  return {
    unread: "",

    goDown(event) {
      if (!event.target.matches("input.seconds")) return;
      const all = fields(event.currentTarget);
      const next = all[all.indexOf(event.target) + 1];
      event.preventDefault();
      if (next) next.select();
      else event.target.form.querySelector("button:not([type=button])").focus();
    },

    /** One figure is the browser's own business. */
    paste(event) {
      const text = event.clipboardData.getData("text");
      if (!event.target.matches("input.seconds") || !/[\r\n\t;]/.test(text.trim())) return;
      event.preventDefault();
      const all = fields(event.currentTarget);
      const from = all.indexOf(event.target);
      const nobody = [];
      linesOf(text).forEach(([name, seconds], line) => {
        const field = name === null ? all[from + line] : all.find((one) => plain(one.dataset.name) === plain(name));
        if (field) field.value = seconds;
        else nobody.push(name ?? seconds);
      });
      this.unread = nobody.length ? `No row for: ${nobody.join(", ")}` : "";
    },
  };
}

Alpine.data("mornings", mornings);
