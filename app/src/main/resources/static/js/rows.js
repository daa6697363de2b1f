// A list in a form never runs out of lines: typing in its last one puts another empty one below.
document.addEventListener("input", (event) => {
  const row = event.target.closest("table.list-of tbody tr");
  if (!row || row !== row.parentElement.lastElementChild) return;
  const named = row.querySelector("[name]");
  const [, list, key] = named.name.match(/^(\w+)\[(\w+)\]/) ?? [];
  if (!key) return;
  const keys = [...row.parentElement.querySelectorAll("[name]")].map((f) => Number(f.name.match(/\[k(\d+)\]/)?.[1] ?? 0));
  const next = `k${Math.max(0, ...keys) + 1}`;
  const fresh = row.cloneNode(true);
  for (const field of fresh.querySelectorAll("[name]")) {
    field.name = field.name.replace(`${list}[${key}]`, `${list}[${next}]`);
    if (field.id) field.id = field.id.replace(key, next);
    if (field.matches("select")) field.selectedIndex = 0;
    else field.value = "";
    field.classList.remove("is-invalid");
  }
  for (const note of fresh.querySelectorAll(".note")) note.textContent = "";
  row.after(fresh);
});

// Something new that is being typed gets an address of its own, so that a reload or the way back finds it.
document.addEventListener("htmx:afterRequest", (event) => {
  const page = event.target.closest?.("form[data-draft]")?.dataset.draft;
  if (page && event.detail.successful && !location.search.includes("draft=")) {
    history.replaceState(history.state, "", `${location.pathname}?draft=${page}`);
  }
});
