// The sheet of a run session: what a coach says of many holds at once.
export function rating() {
  return {
    ready: true,

    smoothen() {
      for (const group of this.$root.querySelectorAll("[role=radiogroup]")) {
        if (!group.querySelector(":checked")) group.querySelector("[value=smooth]").checked = true;
      }
      this.$root.dispatchEvent(new Event("change", { bubbles: true }));
    },
  };
}
