// The hand of a breath line: it moves along with the plan, and stays in sight where the line is longer than the screen.
export class Hand {
  constructor(element, { left, right }, totalMs) {
    Object.assign(this, { element, left, right, totalMs });
  }

  /** Nothing is written that stands there already: each write paints the drawing anew. */
  move(plannedMs) {
    const x = (this.left + (plannedMs / this.totalMs) * (this.right - this.left)).toFixed(1);
    if (x === this.x) return;
    this.x = x;
    this.element.setAttribute("x1", x);
    this.element.setAttribute("x2", x);
    this.keepInSight();
  }

  keepInSight() {
    const room = this.element.closest(".strip-scroll");
    if (!room || room.scrollWidth <= room.clientWidth) return;
    room.scrollLeft =
      (this.x / this.element.ownerSVGElement.viewBox.baseVal.width) * room.scrollWidth - room.clientWidth / 3;
  }
}
