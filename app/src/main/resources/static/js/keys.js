// Keys: "/" finds, "n" a new tree, "g t" the trees, Ctrl+S saves, "?" lists them. Quiet while something is typed in.
const typing = (element) => element.closest("input, textarea, select, [contenteditable]");
let before = "";

document.addEventListener("keydown", (event) => {
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "s") {
    const save = document.querySelector("[data-save]");
    if (save) {
      event.preventDefault();
      save.click();
    }
    return;
  }
  if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target)) return;
  const find = document.querySelector("[data-find]");
  if (event.key === "/") {
    event.preventDefault();
    if (find) find.focus();
    else location.href = "/trees#q";
  } else if (event.key === "?") {
    document.getElementById("keys")?.showModal();
  } else if (event.key === "n") {
    location.href = "/trees/new";
  } else if (event.key === "t" && before === "g") {
    location.href = "/trees";
  }
  before = event.key;
});

document.querySelector("[data-keys]")?.addEventListener("click", () => document.getElementById("keys")?.showModal());
if (location.hash === "#q") document.querySelector("[data-find]")?.focus();
document.querySelector("[data-print]")?.addEventListener("click", () => window.print());
