// On a session's sheet: all first breaths that nobody rated are marked as smooth; nothing is saved by it.
import Alpine from "../vendor/alpine-csp.esm.js";

/** A hold that was left out has no first breath; one that nobody marked says so in its field. */
const held = (group) => {
  const field = group.closest("tr")?.querySelector("input[name$='[held_s]']");
  return Boolean(field?.value || field?.placeholder);
};

export function byException() {
  return {
    restSmooth() {
      for (const group of this.$root.querySelectorAll("[role=radiogroup]")) {
        const answers = [...group.querySelectorAll("input[name$='[first_breath]']")];
        // An answer without a value is *unknown*: that is what is open.
        if (answers.some((one) => one.checked && one.value) || !held(group)) continue;
        const smooth = answers.find((one) => one.value === "smooth");
        if (smooth) smooth.checked = true;
      }
    },
  };
}

Alpine.data("byException", byException);
