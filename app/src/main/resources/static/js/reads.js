// Reads every line of a firing's curve at one instant: by the pointer over it, or by the slider below it.
const steps = 240;
const two = (n) => String(n).padStart(2, "0");
const day = new Intl.DateTimeFormat("en-GB", { weekday: "short", timeZone: "UTC" });

const when = (d, minute) => {
  if (!d.start) return `${Math.floor(minute / 60)} h ${two(Math.round(minute % 60))} min`;
  const at = new Date(Date.parse(`${d.start}Z`) + minute * 60000);
  return `${day.format(at)} ${two(at.getUTCHours())}:${two(at.getUTCMinutes())}`;
};

const show = (curve, step) => {
  const reads = curve.querySelector(".reads");
  const below = curve.nextElementSibling;
  if (!reads || !below?.matches(".reads-at")) return;
  const d = reads.dataset;
  const x = Number(d.x0) + ((d.x1 - d.x0) * step) / steps;
  let line = curve.querySelector(".read-line");
  if (!line) {
    line = document.createElementNS("http://www.w3.org/2000/svg", "line");
    line.setAttribute("class", "read-line");
    line.setAttribute("y1", d.y0);
    line.setAttribute("y2", d.y1);
    reads.append(line);
  }
  line.setAttribute("x1", x);
  line.setAttribute("x2", x);
  const at = when(d, (d.minutes * step) / steps);
  const range = below.querySelector("input");
  range.value = step;
  range.setAttribute("aria-valuetext", at);
  const words = JSON.parse(d.series).filter((s) => s.values.length > 0 && s.values[step] !== null);
  const out = below.querySelector("output");
  out.replaceChildren(...words.map((s) => {
    const one = document.createElement("span");
    const value = document.createElement("b");
    value.textContent = `${s.values[step]} ${d.unit}`;
    one.append(`${s.name} `, value);
    return one;
  }));
  below.querySelector(".at").textContent = at;
};

const place = (curve, event) => {
  const svg = curve.querySelector("svg");
  const d = curve.querySelector(".reads")?.dataset;
  if (!svg || !d) return null;
  const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
  if (p.x < d.x0 - 8 || p.x > Number(d.x1) + 8 || p.y > Number(d.y1) + 12) return null;
  return Math.max(0, Math.min(steps, Math.round(((p.x - d.x0) / (d.x1 - d.x0)) * steps)));
};

const begin = () => {
  for (const curve of document.querySelectorAll(".load-curve")) {
    const reads = curve.querySelector(".reads");
    if (!reads || curve.nextElementSibling?.matches(".reads-at")) continue;
    const below = document.createElement("div");
    below.className = "reads-at no-print";
    const range = document.createElement("input");
    range.type = "range";
    range.className = "form-range";
    range.min = 0;
    range.max = steps;
    range.setAttribute("aria-label", "Read all lines at");
    const at = document.createElement("b");
    at.className = "at";
    below.append(at, range, document.createElement("output"));
    curve.after(below);
    const d = reads.dataset;
    show(curve, kept ?? (Number(d.now) >= 0 ? Math.min(steps, Math.round((d.now / d.minutes) * steps)) : Math.round(steps / 2)));
    range.addEventListener("input", () => { kept = Number(range.value); show(curve, kept); });
  }
};
// where someone put it, over fresh drawings
let kept = null;
document.addEventListener("pointermove", (event) => {
  const curve = event.target.closest?.(".load-curve");
  if (!curve || event.buttons) return;
  const step = place(curve, event);
  if (step !== null) show(curve, step);
});
document.addEventListener("pointerdown", (event) => {
  const curve = event.target.closest?.(".load-curve");
  if (!curve || event.target.closest(".corner")) return;
  const step = place(curve, event);
  if (step === null) return;
  kept = step;
  show(curve, step);
});
for (const name of ["htmx:afterSettle", "kiln:fresh", "drawn"]) document.addEventListener(name, begin);
begin();
