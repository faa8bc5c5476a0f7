// What a person has opened stays open when a part of the page is drawn anew.
export function keepOpen() {
  let open = [];
  document.addEventListener("htmx:beforeSwap", (event) => {
    open = [...event.detail.target.querySelectorAll("details[id][open]")].map((one) => one.id);
  });
  document.addEventListener("htmx:afterSwap", () => {
    for (const id of open) document.getElementById(id)?.setAttribute("open", "");
    open = [];
  });
}
