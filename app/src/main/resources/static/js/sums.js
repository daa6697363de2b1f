// Sums that are open stay open when the figures are computed anew.
const path = (details) => {
  const keys = [];
  for (let at = details; at; at = at.parentElement?.closest("details")) keys.unshift(at.dataset.key);
  return keys.join(" > ");
};
let open = new Set();

document.addEventListener("htmx:beforeSwap", () => {
  open = new Set([...document.querySelectorAll("#answer details[open]")].map(path));
});
document.addEventListener("htmx:afterSettle", () => {
  if (open.size === 0) return;
  for (const details of document.querySelectorAll("#answer details")) {
    if (open.has(path(details))) details.open = true;
  }
});
