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

// A line is added below the others, or emptied and put out of sight: it is gone when the page is saved, and comes back before.
document.addEventListener("click", (event) => {
  const add = event.target.closest?.("[data-row-add]");
  if (add) {
    const before = add.closest("p").previousElementSibling;
    before.querySelector("tbody tr:last-child [name]")?.focus();
    return;
  }
  const button = event.target.closest?.("[data-row-remove], [data-row-back]");
  const row = button?.closest("tr");
  if (!row) return;
  const fields = [...row.querySelectorAll("input[name], select[name]")];
  const gone = button.matches("[data-row-remove]");
  for (const field of fields) {
    if (gone) field.dataset.was = field.value;
    if (field.matches("input")) field.value = gone ? "" : field.dataset.was ?? "";
    field.closest("td").querySelector(".field, select").hidden = gone;
  }
  row.classList.toggle("row-gone", gone);
  button.textContent = gone ? "Removed. Restore" : "Remove";
  button.toggleAttribute("data-row-remove", !gone);
  button.toggleAttribute("data-row-back", gone);
});

// A long list of factors is searched as one types.
const sought = document.getElementById("factor-find");
sought?.addEventListener("input", () => {
  const words = sought.value.trim().toLowerCase();
  for (const section of document.querySelectorAll(".factor-groups section")) {
    let any = false;
    for (const line of section.querySelectorAll(".factor")) {
      const found = !words || line.textContent.toLowerCase().includes(words) || section.querySelector("h2").textContent.toLowerCase().includes(words);
      line.hidden = !found;
      any ||= found;
    }
    section.hidden = !any;
  }
});
