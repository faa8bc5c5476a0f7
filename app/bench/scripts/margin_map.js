// Reads the map of the bench out: under the pointer, or cell by cell with the arrow keys.
import Alpine from "../vendor/alpine-csp.esm.js";

const MOVES = { ArrowRight: [0, 1], ArrowLeft: [0, -1], ArrowUp: [1, 0], ArrowDown: [-1, 0] };

export function marginMap() {
  return {
    words: "",
    row: 2,
    column: 0,

    init() {
      this.words = this.$root.querySelector(".map-words").textContent;
    },

    cell(row, column) {
      return this.$root.querySelector(`.cell[data-row="${row}"][data-column="${column}"]`);
    },
    focus() {
      this.read(this.cell(this.row, this.column));
    },

    key(event) {
      const move = MOVES[event.key];
      if (!move) return;
      event.preventDefault();
      this.read(this.cell(this.row + move[0], this.column + move[1]));
    },

    point(event) {
      if (event.target.dataset.words) this.read(event.target);
    },

    read(cell) {
      if (!cell) return;
      this.$root.querySelector(".cell-read")?.classList.remove("cell-read");
      cell.classList.add("cell-read");
      this.row = Number(cell.dataset.row);
      this.column = Number(cell.dataset.column);
      this.words = cell.dataset.words;
    },
  };
}

Alpine.data("marginMap", marginMap);
