// A mold is chosen by its picture: its fields are filled, what else is typed stays; nothing is saved by it.
let picked = null;
document.addEventListener("htmx:afterSettle", () => {
  if (!picked || document.activeElement !== document.body) return;
  [...document.querySelectorAll(".mold-pick")].find((p) => p.querySelector("b").textContent === picked)?.focus({ preventScroll: true });
  picked = null;
});
document.addEventListener("click", (event) => {
  const pick = event.target.closest?.(".mold-pick");
  const plan = document.getElementById("plan");
  if (!pick || !plan) return;
  event.preventDefault();
  picked = pick.querySelector("b").textContent;
  let last = null;
  for (const [name, value] of Object.entries(JSON.parse(pick.dataset.fill))) {
    const field = plan.elements[name];
    if (field && field.value !== value) {
      field.value = value;
      last = field;
    }
  }
  plan.dataset.mold = plan.elements.mold_kind.value;
  (last ?? plan.elements.mold_kind).dispatchEvent(new Event("change", { bubbles: true }));
});

// A part of the section that is touched opens the field in which it is said.
document.addEventListener("click", (event) => {
  const name = event.target.closest?.("#answer [data-opens]")?.dataset.opens;
  const field = name && document.getElementById("plan")?.elements[name];
  if (!field || event.target.closest(".grip, .halo")) return;
  const fold = field.closest("details");
  if (fold) fold.open = true;
  field.focus({ preventScroll: true });
  field.scrollIntoView({ block: "nearest" });
});

// Leaning and lifting the tree by the ring on its top: writes into the two fields, the server judges and draws.
const form = document.getElementById("plan");
if (form && form.elements.tilt_deg) {
  const tilt = form.elements.tilt_deg;
  const lift = form.elements.lift_mm;
  const number = (input) => parseFloat(input.value) || 0;
  const set = (degrees, mm) => {
    tilt.value = `${Math.round(Math.max(-60, Math.min(60, degrees)))}°`;
    lift.value = `${Math.round(Math.max(0, mm))} mm`;
    tilt.dispatchEvent(new Event("change", { bubbles: true }));
  };
  let held = null;
  document.addEventListener("pointerdown", (event) => {
    const halo = event.target.closest?.("#answer .halo");
    const grip = halo ? document.querySelector("#answer .grip") : event.target.closest?.("#answer .grip");
    if (!grip) return;
    event.preventDefault();
    grip.focus();
    const svg = grip.ownerSVGElement;
    held = { x: event.clientX, y: event.clientY, tilt: number(tilt), lift: number(lift), mm: Number(grip.dataset.scale) * svg.getScreenCTM().a, tall: Number(grip.dataset.tall), sent: 0 };
  });
  const move = (event, final) => {
    const now = performance.now();
    if (!final && now - held.sent < 90) return;
    held.sent = now;
    const dx = (event.clientX - held.x) / held.mm;
    const dy = (held.y - event.clientY) / held.mm;
    const lean = Math.abs(dx) < 2 ? 0 : (Math.atan2(dx, held.tall) * 180) / Math.PI;
    set(held.tilt + lean, held.lift + (Math.abs(dy) < 2 ? 0 : dy));
  };
  document.addEventListener("pointermove", (event) => { if (held) move(event, false); });
  document.addEventListener("pointerup", (event) => {
    if (!held) return;
    move(event, true);
    held = null;
  });
  document.addEventListener("keydown", (event) => {
    if (!event.target.closest?.("#answer .grip")) return;
    const step = event.shiftKey ? 5 : 1;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key];
    if (!by) return;
    event.preventDefault();
    set(number(tilt) + by[0], number(lift) + by[1]);
  });
  let again = false;
  document.addEventListener("htmx:beforeSwap", () => { again = document.activeElement?.classList?.contains("grip"); });
  document.addEventListener("htmx:afterSwap", () => { if (again) document.querySelector("#answer .grip")?.focus({ preventScroll: true }); });
}
