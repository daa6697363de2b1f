// A touch on an outline: where it lies goes into its form as shares of width and height, and is sent when the tool asks for no more.
for (const box of document.querySelectorAll("form [data-touch]")) {
  const form = box.closest("form");
  const put = (x, y, send) => {
    const at = [Math.min(1, Math.max(0, x)), Math.min(1, Math.max(0, y))];
    form.elements.x.value = at[0].toFixed(4);
    form.elements.y.value = at[1].toFixed(4);
    const ring = box.querySelector(".ring");
    ring.hidden = false;
    ring.style.left = `${at[0] * 100}%`;
    ring.style.top = `${at[1] * 100}%`;
    const name = form.querySelector("[data-named]");
    const asks = name && form.querySelector("[name=kind]:checked")?.value === "part" && !name.value;
    if (asks) name.focus();
    else if (send && box.dataset.touch === "send") form.requestSubmit();
  };
  box.addEventListener("click", (event) => {
    const r = box.getBoundingClientRect();
    put((event.clientX - r.left) / r.width, (event.clientY - r.top) / r.height, true);
  });
  box.addEventListener("keydown", (event) => {
    const step = { ArrowLeft: [-0.03, 0], ArrowRight: [0.03, 0], ArrowUp: [0, -0.03], ArrowDown: [0, 0.03], Enter: [0, 0] }[event.key];
    if (!step) return;
    event.preventDefault();
    put(Number(form.elements.x.value || 0.5) + step[0], Number(form.elements.y.value || 0.5) + step[1], event.key === "Enter");
  });
}
