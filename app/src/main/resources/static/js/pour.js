// The order of a pour: molds are dragged to another place or moved by their arrows, and the time line answers.
const form = document.getElementById("pour");
const list = () => document.getElementById("pour-order");
const order = document.getElementById("order");
const fire = () => form.dispatchEvent(new Event("change", { bubbles: true }));
const read = () => {
  order.value = [...list().children].map((li) => li.dataset.tree).join(",");
  fire();
};
if (form && order) {
  let held = null;
  document.addEventListener("dragstart", (event) => {
    held = event.target.closest?.("#pour-order > li");
    if (held) { event.dataTransfer.effectAllowed = "move"; held.classList.add("held"); }
  });
  document.addEventListener("dragover", (event) => {
    const over = held && event.target.closest?.("#pour-order > li");
    if (!over) return;
    event.preventDefault();
    if (over === held) return;
    const box = over.getBoundingClientRect();
    over[event.clientY > box.top + box.height / 2 ? "after" : "before"](held);
  });
  document.addEventListener("dragend", () => {
    if (!held) return;
    held.classList.remove("held");
    held = null;
    read();
  });
  // A finger holds the grip: pointer events do what drag and drop does with a mouse.
  document.addEventListener("pointerdown", (event) => {
    if (event.pointerType === "mouse") return;
    const grip = event.target.closest?.("#pour-order .grip");
    if (!grip) return;
    event.preventDefault();
    const li = grip.closest("li");
    li.classList.add("held");
    const move = (e) => {
      const over = document.elementFromPoint(e.clientX, e.clientY)?.closest("#pour-order > li");
      if (!over || over === li) return;
      const box = over.getBoundingClientRect();
      over[e.clientY > box.top + box.height / 2 ? "after" : "before"](li);
    };
    const up = () => {
      removeEventListener("pointermove", move);
      li.classList.remove("held");
      read();
    };
    addEventListener("pointermove", move);
    addEventListener("pointerup", up, { once: true });
    addEventListener("pointercancel", up, { once: true });
  });
  document.addEventListener("click", (event) => {
    const button = event.target.closest?.("#pour-order [data-up], #pour-order [data-down], #pour-order [data-out]");
    if (!button) return;
    const li = button.closest("li");
    if (button.hasAttribute("data-out")) {
      if (list().children.length > 1) li.remove();
    } else if (button.hasAttribute("data-up")) li.previousElementSibling?.before(li);
    else li.nextElementSibling?.after(li);
    read();
  });
}
