// The tree builder: handles on the drawing that write into the table's fields, undo and redo, a member's line.
const form = document.getElementById("plan");
const builder = document.querySelector(".stage-gating");
const answer = () => document.getElementById("answer");

if (form && builder) {
  const field = (grip) => form.elements[`parts[${grip.dataset.key}].${grip.dataset.field}`];
  const round = (value) => Math.round(value * 2) / 2;
  const id = (grip) => `${grip.dataset.key}|${grip.dataset.field}`;
  let dragged = null;
  let focused = null;
  let sent = 0;
  let restoring = false;

  const write = (grip, value, final) => {
    const input = field(grip);
    if (!input) return;
    const least = Number(grip.dataset.least);
    const most = Number(grip.dataset.most);
    input.value = `${Math.min(most, Math.max(least, value))} mm`;
    grip.setAttribute("aria-valuenow", input.value);
    const now = performance.now();
    if (final || now - sent > 90) {
      sent = now;
      input.dispatchEvent(new Event("change", { bubbles: true }));
    }
  };

  // Where on the line of its axis the pointer is, in mm from the line's beginning.
  const along = (start, event) => {
    const svg = document.querySelector("#tree-drawing svg");
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
    const [x1, y1, x2, y2] = start.axis;
    const length2 = (x2 - x1) ** 2 + (y2 - y1) ** 2;
    if (length2 < 1) return null;
    return (((at.x - x1) * (x2 - x1) + (at.y - y1) * (y2 - y1)) / length2) * start.length;
  };

  // A finger takes the handle whose halo it meets.
  const taken = (target) => {
    const halo = target.closest?.(".halo");
    if (!halo) return target.closest?.(".grip");
    return [...builder.querySelectorAll(".grip")].find((g) => id(g) === id(halo));
  };

  // What is touched stands out, and its fields open beside the drawing.
  const mark = () => {
    const open = form.querySelector(".member[open]")?.dataset.key;
    for (const shape of builder.querySelectorAll("[data-of]")) shape.classList.toggle("held", shape.dataset.of === open);
  };
  form.addEventListener("toggle", mark, true);

  builder.addEventListener("pointerdown", (event) => {
    const grip = taken(event.target);
    if (!grip) {
      const of = event.target.closest?.("[data-of]")?.dataset.of;
      if (of) show(of);
      return;
    }
    event.preventDefault();
    grip.focus();
    show(grip.dataset.key);
    dragged = { grip, axis: grip.dataset.axis.split(" ").map(Number), length: Number(grip.dataset.length), value: Number(grip.dataset.value) };
    dragged.offset = dragged.value - (along(dragged, event) ?? dragged.value);
    remember();
  });
  document.addEventListener("pointermove", (event) => {
    if (!dragged) return;
    const at = along(dragged, event);
    if (at !== null) write(dragged.grip, round(at + dragged.offset), false);
  });
  document.addEventListener("pointerup", (event) => {
    if (!dragged) return;
    const at = along(dragged, event);
    const grip = dragged.grip;
    const offset = dragged.offset;
    dragged = null;
    if (at !== null) write(grip, round(at + offset), true);
  });

  builder.addEventListener("keydown", (event) => {
    const grip = event.target.closest?.(".grip");
    const step = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
    if (!grip || !step) return;
    event.preventDefault();
    remember();
    const now = parseFloat(field(grip)?.value);
    write(grip, (Number.isFinite(now) ? now : Number(grip.dataset.value)) + step * (event.shiftKey ? 5 : 1), true);
  });

  // Opens a member's line in the table.
  const show = (key) => {
    const line = form.querySelector(`.member[data-key="${CSS.escape(key)}"]`);
    if (line) {
      line.open = true;
      line.scrollIntoView({ block: "nearest" });
    }
  };

  // What the table held, so that steps can be taken back; kept over a reload of this page.
  const place = `kiln-ryu-steps:${location.pathname}`;
  const steps = JSON.parse(sessionStorage.getItem(place) ?? '{"back":[],"on":[]}');
  const state = () => {
    const fields = [];
    for (const [name, value] of new FormData(form)) {
      if (!/^(_csrf|version|page|layout\..*)$/.test(name)) fields.push([name, value]);
    }
    return JSON.stringify(fields);
  };
  let last = state();
  const keep = () => {
    steps.back = steps.back.slice(-60);
    sessionStorage.setItem(place, JSON.stringify(steps));
    document.querySelector("[data-undo-step]").disabled = steps.back.length === 0;
    document.querySelector("[data-redo-step]").disabled = steps.on.length === 0;
  };
  function remember() {
    const now = state();
    if (now !== last || steps.back[steps.back.length - 1] !== now) {
      if (steps.back[steps.back.length - 1] !== now) steps.back.push(now);
      steps.on = [];
      last = now;
      keep();
    }
  }
  const take = (from, to) => {
    const now = state();
    let then = from.pop();
    if (then === now) then = from.pop();
    if (then === undefined) return keep();
    to.push(now);
    last = then;
    keep();
    become(JSON.parse(then));
  };
  // Puts fields back in place; when parts came or went in between, the server draws the page anew.
  const become = (fields) => {
    const names = new Set(fields.map(([name]) => name));
    const here = new Set(JSON.parse(state()).map(([name]) => name));
    if (names.size === here.size && [...names].every((name) => here.has(name))) {
      for (const [name, value] of fields) form.elements[name].value = value;
      for (const part of form.querySelectorAll(".part")) {
        const gone = part.querySelector("[data-gone]").value === "1";
        part.classList.toggle("gone", gone);
        part.querySelector(".removed").hidden = !gone;
        part.dataset.how = part.querySelector("[name$=\"].how\"]").value;
      }
      restoring = true;
      form.dispatchEvent(new Event("change", { bubbles: true }));
      restoring = false;
      return;
    }
    const whole = document.createElement("form");
    whole.method = "post";
    whole.action = form.action.replace(/\/gating$/, "/gating/as");
    for (const name of ["_csrf", "version", "page"]) fields.push([name, form.elements[name].value]);
    for (const [name, value] of fields) {
      const input = document.createElement("input");
      input.type = "hidden";
      input.name = name;
      input.value = value;
      whole.append(input);
    }
    document.body.append(whole);
    whole.submit();
  };
  form.addEventListener("focusin", () => { if (!dragged) last = state(); });
  form.addEventListener("change", (event) => {
    if (dragged || restoring) return;
    const now = state();
    if (now !== last) {
      if (steps.back[steps.back.length - 1] !== last) steps.back.push(last);
      steps.on = [];
      last = now;
      keep();
    }
    const line = event.target.closest?.(".member");
    if (line && /\.use$/.test(event.target.name ?? "")) line.dataset.use = event.target.value;
  });
  form.addEventListener("click", (event) => {
    if (event.target.closest("[data-layout]")) remember();
  }, true);
  document.querySelector("[data-undo-step]").addEventListener("click", () => take(steps.back, steps.on));
  document.querySelector("[data-redo-step]").addEventListener("click", () => take(steps.on, steps.back));
  document.addEventListener("keydown", (event) => {
    if (!(event.ctrlKey || event.metaKey) || event.target.closest("input, textarea")) return;
    const key = event.key.toLowerCase();
    if (key !== "z" && key !== "y") return;
    event.preventDefault();
    if (key === "y" || event.shiftKey) take(steps.on, steps.back);
    else take(steps.back, steps.on);
  });
  if (new URLSearchParams(location.search).has("saved")) {
    steps.on = [];
  }
  keep();

  // The drawing is swapped while it is held: the same handle is taken up again.
  document.addEventListener("htmx:beforeSwap", () => {
    const active = document.activeElement;
    focused = active?.classList?.contains("grip") ? id(active) : null;
  });
  document.addEventListener("htmx:afterSwap", () => {
    if (focused && answer()) {
      const again = [...answer().querySelectorAll(".grip")].find((grip) => id(grip) === focused);
      again?.focus({ preventScroll: true });
    }
    mark();
  });

  // What a coarse look ahead foresees stands in the drawing and moves with the hand.
  const foresee = () => {
    const marks = document.querySelector("#tree-drawing .foreseen-marks");
    const told = document.getElementById("ahead");
    if (!marks || !told) return;
    marks.replaceChildren();
    const { axis, rim, scale } = marks.dataset;
    const put = (of, tag, sets) => {
      const mark = document.createElementNS("http://www.w3.org/2000/svg", tag);
      const x = Number(axis) + Number(of.dataset.x) * Number(scale);
      const y = Number(rim) - Number(of.dataset.z) * Number(scale);
      for (const [name, value] of Object.entries(sets(x, y))) mark.setAttribute(name, value);
      const title = document.createElementNS("http://www.w3.org/2000/svg", "title");
      title.textContent = of.textContent;
      mark.append(title);
      marks.append(mark);
    };
    for (const of of told.querySelectorAll("[data-last]")) {
      put(of, "circle", (x, y) => ({ cx: x, cy: y, r: 7, fill: "#28265c", stroke: "#fffdf8", "stroke-width": 2 }));
    }
    for (const of of told.querySelectorAll("[data-foreseen]")) {
      const colour = of.dataset.severity === "stop" ? "#a2382a" : of.dataset.severity === "warn" ? "#8a560c" : "#4d5f70";
      put(of, "path", (x, y) => ({ d: `M${x - 8},${y} a8,8 0 1 0 16,0 a8,8 0 1 0 -16,0`, fill: "none", stroke: colour, "stroke-width": 3, "stroke-dasharray": "4 3" }));
    }
  };
  document.body.addEventListener("htmx:afterSwap", (event) => {
    if (event.target.id === "ahead" || event.detail.elt?.id === "ahead") foresee();
  });
  document.body.addEventListener("htmx:afterSettle", () => foresee());
}
