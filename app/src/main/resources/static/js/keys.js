// Keys: "/" finds, "n" a new tree, "g d" the day, "g t" the trees, Ctrl+S saves, "?" lists them. Quiet while something is typed in, and when they are switched off.
const typing = (element) => element.closest("input, textarea, select, [contenteditable]");
let before = "";
const off = () => localStorage.getItem("keys") === "off";

document.addEventListener("keydown", (event) => {
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "s") {
    const save = document.querySelector("[data-save]");
    if (save) {
      event.preventDefault();
      save.click();
    }
    return;
  }
  if (event.ctrlKey || event.metaKey || event.altKey || typing(event.target) || off()) return;
  const find = document.querySelector("[data-find]");
  if (event.key === "/") {
    event.preventDefault();
    if (find) find.focus();
    else location.href = "/trees?find";
  } else if (event.key === "?") {
    document.getElementById("keys")?.showModal();
  } else if (event.key === "n") {
    location.href = "/trees/new";
  } else if (event.key === "t" && before === "g") {
    location.href = "/trees";
  } else if (event.key === "d" && before === "g") {
    location.href = "/";
  }
  before = event.key;
});

for (const button of document.querySelectorAll("[data-keys]")) {
  button.addEventListener("click", () => document.getElementById("keys")?.showModal());
}
const choice = document.querySelector("[data-keys-on]");
if (choice) {
  choice.checked = !off();
  choice.addEventListener("change", () => localStorage.setItem("keys", choice.checked ? "on" : "off"));
}
if (new URLSearchParams(location.search).has("find")) document.querySelector("[data-find]")?.focus();
document.querySelector("[data-print]")?.addEventListener("click", () => window.print());
