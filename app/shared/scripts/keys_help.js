// `?` shows the keys of the screen, where it has some; `/` goes to its search.
export function listenForHelp() {
  const dialog = document.getElementById("keys");
  if (!dialog) return;
  const toggle = () => (dialog.open ? dialog.close() : dialog.showModal());
  for (const mark of document.querySelectorAll("[data-keys]")) {
    mark.hidden = false;
    mark.addEventListener("click", toggle);
  }
  const search = document.querySelector("[data-search]");
  window.addEventListener("keydown", (event) => {
    if (event.target.matches("input, textarea, select")) return;
    if (event.key === "/" && search && !dialog.open) {
      event.preventDefault();
      search.focus();
    }
    if (event.key !== "?") return;
    event.preventDefault();
    toggle();
  });
}
