// Paper has no folds: what is folded on the screen is printed whole, and folded again afterwards.
export function unfoldForPaper() {
  let folded = [];
  window.addEventListener("beforeprint", () => {
    folded = [...document.querySelectorAll("main details:not([open])")];
    for (const one of folded) one.open = true;
  });
  window.addEventListener("afterprint", () => {
    for (const one of folded) one.open = false;
  });
}
