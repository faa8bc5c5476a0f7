// One lane as a row of the screen: written only where something changed, for there are twelve of them, many times a
// second.
import { shown } from "./deck_words.js";
import { laneState } from "./squad_run.js";

export class LaneRow {
  /** @param element with parts that say what they show: data-part */
  constructor(element, lane) {
    this.element = element;
    this.lane = lane;
    this.parts = Object.fromEntries(
      [...element.querySelectorAll("[data-part]")].map((part) => [part.dataset.part, part]),
    );
    this.hand = element.querySelector(".hand");
    this.width = this.hand.ownerSVGElement.viewBox.baseVal.width;
    this.written = {};
  }

  /** @returns what is shown of the run */
  paint({ called, focus, rated }) {
    const { run, plan } = this.lane;
    const now = shown(run, plan);
    this.write("cue", now.cue);
    this.write("figure", now.figure);
    this.write("next", run.call ?? now.next);
    this.write("state", laneState(run));
    this.set("aria-pressed", String(focus));
    this.element.classList.toggle("called", called || rated);
    this.element.classList.toggle("holding", run.holding);
    this.element.classList.toggle("over", run.over);
    const x = ((run.planned / plan.total_ms) * this.width).toFixed(1);
    if (this.x !== x) {
      this.x = x;
      this.hand.setAttribute("x1", x);
      this.hand.setAttribute("x2", x);
    }
    return now;
  }

  write(part, words) {
    if (!this.parts[part] || this.written[part] === words) return;
    this.written[part] = words;
    this.parts[part].textContent = words;
  }

  set(name, value) {
    if (!this.element.hasAttribute(name) || this.written[name] === value) return;
    this.written[name] = value;
    this.element.setAttribute(name, value);
  }
}
