// The parts of a tree: which fields show, a skin, taking a part off and putting it back.
const form = document.getElementById("plan");
const kind = form?.querySelector("[name=mold_kind]");
if (kind) form.dataset.mold = kind.value;
const again = () => form.dispatchEvent(new Event("change", { bubbles: true }));

form?.addEventListener("change", (event) => {
  if (event.target.matches?.("[name=mold_kind]")) form.dataset.mold = event.target.value;
  if (event.target.matches?.("[name$=\"].how\"]")) {
    event.target.closest(".part").dataset.how = event.target.value;
  }
});

// A part's line carries its name as it is typed; a part touched in the drawing opens its line.
form?.addEventListener("input", (event) => {
  const line = event.target.closest?.(".part");
  if (line && /\.name$/.test(event.target.name ?? "")) {
    const said = line.querySelector("summary > b");
    if (said) said.textContent = event.target.value || "part";
  }
});
const lit = () => {
  const open = new Set([...document.querySelectorAll(".listed[open]")].map((l) => l.dataset.key));
  for (const shape of document.querySelectorAll("#answer .draw [data-of]")) shape.classList.toggle("held", open.has(shape.dataset.of));
};
if (form?.querySelector(".listed")) {
  form.addEventListener("toggle", lit, true);
  document.addEventListener("htmx:afterSettle", lit);
  document.addEventListener("click", (event) => {
    const of = event.target.closest?.("#answer .draw [data-of]")?.dataset.of;
    if (!of) return;
    for (const line of form.querySelectorAll(".listed")) line.open = line.dataset.key === of;
    form.querySelector(`.listed[data-key="${CSS.escape(of)}"]`)?.scrollIntoView({ block: "nearest" });
  });
}

// A proposal that fills a field; nothing is saved by it.
document.addEventListener("click", (event) => {
  const button = event.target.closest?.("[data-fills]");
  const field = button && form?.elements[button.dataset.fills];
  if (!field) return;
  field.value = button.dataset.value;
  field.dispatchEvent(new Event("change", { bubbles: true }));
  field.focus();
});

form?.addEventListener("click", (event) => {
  const part = event.target.closest(".part");
  if (!part) return;
  if (event.target.matches("[data-skin-show]")) {
    part.dataset.skin = "yes";
    part.querySelector(".skin select")?.focus();
  } else if (event.target.matches("[data-remove], [data-undo]")) {
    const gone = event.target.matches("[data-remove]");
    part.querySelector("[data-gone]").value = gone ? "1" : "";
    part.classList.toggle("gone", gone);
    part.querySelector(".removed").hidden = !gone;
    part.querySelector(gone ? "[data-undo]" : "[data-remove]").focus();
    again();
  }
});

document.addEventListener("htmx:afterSettle", (event) => {
  if (event.detail.target?.id === "parts") {
    event.detail.target.lastElementChild?.querySelector("input:not([type=hidden])")?.focus();
    again();
  }
});
