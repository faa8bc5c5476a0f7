// `?` shows the keys of the screen, where it has some.
export function listenForHelp() {
  const dialog = document.getElementById("keys");
  if (!dialog) return;
  window.addEventListener("keydown", (event) => {
    if (event.key !== "?" || event.target.matches("input, textarea, select")) return;
    event.preventDefault();
    if (dialog.open) dialog.close();
    else dialog.showModal();
  });
}
