// A firing's page: corners of the program that are dragged or moved by keys, molds on the floors, the section, the run.
const opening = document.querySelector("[data-opening]");
if (opening) location.replace(opening.dataset.opening + location.hash);
if (new URLSearchParams(location.search).has("whole")) history.replaceState(history.state, "", location.pathname + location.hash);
const program = document.getElementById("program");
const snap = (value, step) => Math.round(value / step) * step;

if (program) {
  const field = (line, name) => program.querySelector(`[name="program[k${line + 1}].${name}"]`);
  const clock = (minutes) => `${Math.floor(minutes / 60)}:${String(Math.round(minutes % 60)).padStart(2, "0")}`;
  const fire = () => program.dispatchEvent(new Event("change", { bubbles: true }));
  const typed = () => { document.getElementById("program-is").value = "typed"; };
  let refocus = null;
  // whether the curve stands as the fields say, whether an answer is still to come, and the question for it
  let drawn = false;
  let waiting = false;
  let drawing = null;

  // Numbers of the drawing: minutes along, degrees up.
  const scale = () => {
    const d = document.getElementById("corners").dataset;
    const perMinute = (d.x1 - d.x0) / d.minutes;
    const perKelvin = (d.y0 - d.y1) / d.top;
    return { minute: (x) => (x - d.x0) / perMinute, celsius: (y) => (d.y0 - y) / perKelvin, x: (m) => +d.x0 + m * perMinute, y: (c) => d.y0 - c * perKelvin };
  };
  const at = (event, svg) => new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());

  // What a corner at a place means for its segment.
  const meant = (corner, minute, celsius) => {
    const began = Number(corner.dataset.began);
    const from = Number(corner.dataset.from);
    if (corner.dataset.what === "hold") {
      const reached = Number(corner.dataset.reached);
      return { hold: Math.max(0, snap(minute - reached, 5)) };
    }
    const target = Math.max(20, Math.min(Number(corner.dataset.most), snap(celsius, 5)));
    const hours = Math.max(1, minute - began) / 60;
    const rate = Math.max(5, Math.min(2000, snap(Math.abs(target - from) / hours, 5)));
    return { target, rate };
  };
  // In the unit that the segment's fields are in.
  const inFahrenheit = (line) => field(line, "target_C").value.includes("F");
  const degrees = (line, celsius) => (inFahrenheit(line) ? `${Math.round(celsius * 1.8 + 32)} °F` : `${celsius} °C`);
  const pace = (line, kelvins) => (inFahrenheit(line) ? `${Math.round(kelvins * 1.8)} °F/h` : `${kelvins} K/h`);
  // The fields that a change of a segment fills.
  const fills = (line, change) => {
    const all = {};
    const name = (what) => `program[k${line + 1}].${what}`;
    if ("hold" in change) all[name("hold_min")] = change.hold === 0 ? "" : clock(change.hold);
    if ("target" in change) all[name("target_C")] = degrees(line, change.target);
    if ("rate" in change && change.rate > 0) all[name("rate")] = pace(line, change.rate);
    return all;
  };
  const write = (corner, change) => {
    typed();
    for (const [name, value] of Object.entries(fills(Number(corner.dataset.line), change))) program.elements[name].value = value;
    refocus = `${corner.dataset.line}|${corner.dataset.what}`;
    fire();
  };
  const reach = () => {
    // where the hold of each segment begins: the corner before it
    const corners = [...document.querySelectorAll(".corner")];
    for (const c of corners) {
      if (c.dataset.what === "hold") {
        const ramp = corners.find((r) => r.dataset.line === c.dataset.line && r.dataset.what === "ramp");
        c.dataset.reached = ramp.dataset.minute;
      }
    }
  };
  reach();

  // Words beside a corner in the hand.
  const said = (corner, svg) => {
    const words = document.createElementNS(svg.namespaceURI, "text");
    const knob = corner.querySelector(".knob");
    const right = Number(knob.getAttribute("x")) > svg.viewBox.baseVal.width * 0.7;
    words.setAttribute("x", Number(knob.getAttribute("x")) + (right ? -8 : 18));
    words.setAttribute("y", Number(knob.getAttribute("y")) - 10);
    words.setAttribute("class", "said");
    if (right) words.setAttribute("text-anchor", "end");
    corner.append(words);
    return words;
  };
  // A corner is taken into the hand, or its twin in a newer drawing.
  const take = (corner) => {
    // before all others, so that its words are
    corner.parentNode.append(corner);
    corner.focus({ preventScroll: true });
    corner.classList.add("held");
    const svg = corner.ownerSVGElement;
    const s = scale();
    Object.assign(held, { corner, svg, home: { x: s.x(Number(corner.dataset.minute)), y: s.y(Number(corner.dataset.celsius)) }, says: said(corner, svg) });
  };
  const show = () => {
    const { corner, start, moved, x, y, home, says } = held;
    const dy = corner.dataset.what === "hold" ? 0 : y + moved.y - start.y - home.y;
    corner.setAttribute("transform", `translate(${x + moved.x - start.x - home.x} ${dy})`);
    const change = pulled(held);
    const line = Number(corner.dataset.line);
    says.textContent = "hold" in change
      ? `hold ${clock(change.hold)}`
      : `${degrees(line, change.target)}${change.rate ? ` at ${pace(line, change.rate)}` : ""}`;
  };
  // What the place where a corner is held asks of its segment.
  const pulled = ({ data, scale: s, moved, start, x, y }) => {
    const change = meant({ dataset: data }, s.minute(x + moved.x - start.x), s.celsius(y + moved.y - start.y));
    // along a ramp of full power only the height counts
    if (field(Number(data.line), "rate").value === "full" || Math.abs(moved.x - start.x) < 4) delete change.rate;
    return change;
  };
  // The curve alone, for what is typed or for a corner where it is held; without htmx, which looks through every node of it.
  const curveFor = async (change, signal) => {
    const form = new FormData(program);
    for (const [name, value] of Object.entries(change)) form.set(name, value);
    if (form.get("program_is") === "school") for (const name of [...form.keys()]) if (name.startsWith("program[")) form.delete(name);
    const answer = await fetch(program.dataset.curve, { method: "POST", body: new URLSearchParams(form), signal });
    if (!answer.ok || answer.redirected) throw new Error(answer.status);
    return new DOMParser().parseFromString(await answer.text(), "text/html").getElementById("curve");
  };
  // While it rests in the hand the middles answer too: one question at a time, in the window of time it was taken in.
  const foresee = async (hand) => {
    const wanted = fills(Number(hand.data.line), pulled(hand));
    const key = JSON.stringify(wanted);
    if (hand.asking || hand.asked === key) return;
    hand.asking = true;
    hand.asked = key;
    try {
      const fresh = (await curveFor({ ...wanted, program_is: "typed", window: hand.window })).querySelector("svg");
      const twin = fresh?.querySelector(`.corner[data-line="${hand.data.line}"][data-what="${hand.data.what}"]`);
      if (held === hand && twin) {
        hand.svg.replaceWith(fresh);
        take(twin);
        show();
      }
    } catch { /* the answer comes when it is let go */ }
    hand.asking = false;
    soon(hand);
  };
  // As soon as it rests: a question asked while it moves would be in the way of the last answer.
  const soon = (hand) => {
    clearTimeout(hand.timer);
    hand.timer = setTimeout(() => { if (held === hand) foresee(hand); }, 30);
  };
  let held = null;
  document.addEventListener("pointerdown", (event) => {
    const corner = event.target.closest?.(".corner");
    if (!corner) return;
    event.preventDefault();
    // no answer may take the corner out of the hand
    drawing?.abort();
    htmx.trigger(program, "htmx:abort");
    const s = scale();
    held = { data: { ...corner.dataset }, scale: s, window: document.getElementById("corners").dataset.window };
    take(corner);
    Object.assign(held, { ...held.home, start: at(event, held.svg) });
  });
  document.addEventListener("pointermove", (event) => {
    if (!held) return;
    held.moved = at(event, held.svg);
    show();
    soon(held);
  });
  const letGo = (event) => {
    if (!held) return;
    const hand = held;
    held = null;
    hand.corner.classList.remove("held");
    hand.says.remove();
    const moved = event.type === "pointerup" && hand.moved && Math.hypot(hand.moved.x - hand.start.x, hand.moved.y - hand.start.y) >= 2;
    if (moved) write(hand.corner, pulled(hand));
    // taken away by the page, or put back where it was: the fields say what holds
    else if (waiting || hand.asked) fire();
  };
  document.addEventListener("pointerup", letGo);
  document.addEventListener("pointercancel", letGo);
  let keyed;
  document.addEventListener("keydown", (event) => {
    const corner = event.target.closest?.(".corner");
    const step = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!corner || !step) return;
    event.preventDefault();
    const line = Number(corner.dataset.line);
    const by = event.shiftKey ? 30 : 5;
    const minutes = (text) => { const [h, m] = text.split(":"); return text.includes(":") ? h * 60 + Number(m) : parseFloat(text) || 0; };
    typed();
    refocus = `${corner.dataset.line}|${corner.dataset.what}`;
    if (corner.dataset.what === "hold" && step[0]) {
      const input = field(line, "hold_min");
      input.value = clock(Math.max(0, minutes(input.value) + step[0] * by));
    } else if (step[1]) {
      const input = field(line, "target_C");
      input.value = input.value.replace(/-?[\d.]+/, (n) => Math.max(20, Number(n) + step[1] * by));
    } else {
      const input = field(line, "rate");
      if (input.value !== "full") input.value = input.value.replace(/-?[\d.]+/, (n) => Math.max(5, Number(n) - step[0] * by));
    }
    clearTimeout(keyed);
    keyed = setTimeout(fire, 180);
  });
  program.addEventListener("input", (event) => {
    if (event.target.name?.startsWith("program[")) typed();
  });
  // choosing a school makes the program anew
  document.getElementById("school")?.addEventListener("change", () => {
    document.getElementById("program-is").value = "school";
    for (const input of program.querySelectorAll('[name^="program["]')) input.value = "";
  });
  // The curve comes first, alone; its table, figures and checks when it stands.
  const rest = () => htmx.trigger(program, "rest");
  const again = () => {
    if (!refocus) return;
    const [line, what] = refocus.split("|");
    document.querySelector(`.corner[data-line="${line}"][data-what="${what}"]`)?.focus({ preventScroll: true });
  };
  program.addEventListener("change", async () => {
    drawn = false;
    waiting = true;
    drawing?.abort();
    const mine = drawing = new AbortController();
    try {
      const fresh = await curveFor({}, mine.signal);
      if (mine.signal.aborted) return;
      document.getElementById("curve").replaceWith(fresh);
      reach();
      again();
      drawn = true;
      program.dispatchEvent(new CustomEvent("drawn", { bubbles: true }));
      // the picture first
      requestAnimationFrame(() => setTimeout(rest));
    } catch {
      // another took its place, or the whole answer says what is wrong
      if (!mine.signal.aborted) rest();
    }
  });
  program.addEventListener("htmx:configRequest", (event) => {
    if (event.detail.elt !== program) return;
    if (drawn) event.detail.parameters.set?.("drawn", "yes");
    if (document.getElementById("program-is").value === "school") {
      for (const name of [...Object.keys(event.detail.parameters)]) if (name.startsWith("program[")) event.detail.parameters.delete?.(name);
    }
  });
  document.addEventListener("htmx:afterSettle", (event) => {
    if (event.detail.target?.id !== "answer") return;
    reach();
    again();
    refocus = null;
    waiting = false;
  });
}

// Molds on the floors of a kiln: dragged or moved by keys, written into the fields.
const load = document.getElementById("load");
if (load) {
  const put = (mold, x, y) => {
    load.querySelector(`[data-x="${mold.dataset.key}"]`).value = Math.round(x);
    const last = load.querySelector(`[data-y="${mold.dataset.key}"]`);
    last.value = Math.round(y);
    last.dispatchEvent(new Event("change", { bubbles: true }));
  };
  let held = null;
  let again = null;
  document.addEventListener("pointerdown", (event) => {
    const mold = event.target.closest?.(".floors .mold");
    if (!mold) return;
    event.preventDefault();
    mold.focus();
    const svg = mold.ownerSVGElement;
    held = { mold, svg, from: new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse()), scale: Number(mold.parentNode.dataset.scale) };
  });
  document.addEventListener("pointermove", (event) => {
    if (!held) return;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(held.svg.getScreenCTM().inverse());
    held.dx = p.x - held.from.x;
    held.dy = p.y - held.from.y;
    held.mold.setAttribute("transform", `translate(${held.dx} ${held.dy})`);
  });
  document.addEventListener("pointerup", () => {
    if (!held) return;
    const { mold, dx, dy, scale } = held;
    held = null;
    if (!dx && !dy) return;
    again = mold.dataset.key;
    put(mold, snap(Number(mold.dataset.x) + dx / scale, 5), snap(Number(mold.dataset.y) - dy / scale, 5));
  });
  document.addEventListener("keydown", (event) => {
    const mold = event.target.closest?.(".floors .mold");
    const step = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!mold || !step) return;
    event.preventDefault();
    again = mold.dataset.key;
    const by = event.shiftKey ? 25 : 5;
    put(mold, Number(mold.dataset.x) + step[0] * by, Number(mold.dataset.y) + step[1] * by);
  });
  document.addEventListener("htmx:afterSettle", () => {
    if (again) document.querySelector(`.floors .mold[data-key="${again}"]`)?.focus();
    again = null;
  });
}

// The section of a mold through the firing.
const scrub = document.querySelector(".scrub");
if (scrub) {
  const canvas = document.getElementById("scrub-canvas");
  const range = document.getElementById("scrub-time");
  let data = null;
  const stops = [[20, 214, 205, 192], [400, 150, 136, 124], [450, 70, 48, 43], [550, 90, 31, 23], [650, 138, 36, 18], [750, 182, 58, 16], [850, 215, 90, 20], [950, 234, 127, 33], [1100, 249, 201, 100]];
  const colour = (c) => {
    let i = 1;
    while (i < stops.length - 1 && c > stops[i][0]) i++;
    const [a, b] = [stops[i - 1], stops[i]];
    const s = Math.max(0, Math.min(1, (c - a[0]) / (b[0] - a[0])));
    return `rgb(${[1, 2, 3].map((k) => Math.round(a[k] + s * (b[k] - a[k]))).join(",")})`;
  };
  const draw = () => {
    const picture = data.pictures[Number(range.value)];
    const g = canvas.getContext("2d");
    g.clearRect(0, 0, canvas.width, canvas.height);
    const rows = data.half ? data.layers * 2 : data.layers;
    const scale = Math.min(270 / data.across, 310 / data.along);
    const wide = data.across * scale;
    const high = data.along * scale;
    const left = (canvas.width - wide) / 2;
    const top = (canvas.height - high) / 2;
    const w = wide / 2 / data.rings;
    const h = high / rows;
    for (let row = 0; row < rows; row++) {
      const fromTop = row;
      const layer = data.half ? Math.abs(fromTop < data.layers ? data.layers - 1 - fromTop : fromTop - data.layers) : data.layers - 1 - fromTop;
      for (let ring = 0; ring < data.rings; ring++) {
        const cell = layer * data.rings + ring;
        const y = top + row * h;
        for (const x of [left + wide / 2 + ring * w, left + wide / 2 - (ring + 1) * w]) {
          g.fillStyle = colour(picture.celsius[cell]);
          g.fillRect(x, y, w + 0.6, h + 0.6);
          if (picture.wet[cell] > 2) {
            g.strokeStyle = `rgba(77,95,112,${0.25 + (picture.wet[cell] / 100) * 0.65})`;
            g.beginPath();
            g.moveTo(x, y + h);
            g.lineTo(x + w, y);
            g.stroke();
          }
        }
      }
    }
    g.strokeStyle = "#2a2220";
    g.strokeRect(left, top, wide, high);
    const middle = picture.celsius[data.half ? 0 : Math.floor(data.layers / 2) * data.rings];
    const wet = picture.wet.reduce((a, b) => a + b, 0) / picture.wet.length;
    const words = `${picture.when}: middle ${middle} °C, rim ${Math.max(...picture.celsius)} °C, ${wet > 1 ? "wet inside" : "no free water left"}`;
    document.getElementById("scrub-says").textContent = words;
    canvas.setAttribute("aria-label", `Section of ${data.name}, ${words}`);
  };
  document.getElementById("scrub-load").addEventListener("click", async (event) => {
    event.target.disabled = true;
    try {
      const form = new FormData(program);
      form.delete("as");
      form.delete("what");
      form.set("mold", document.getElementById("scrub-mold").value);
      const answer = await fetch(scrub.dataset.of, { method: "POST", body: new URLSearchParams(form) });
      if (!answer.ok) throw new Error(answer.status);
      data = await answer.json();
      range.max = data.pictures.length - 1;
      range.value = Math.floor(data.pictures.length / 3);
      scrub.querySelector(".inside").hidden = false;
      draw();
    } catch {
      document.getElementById("scrub-says").textContent = "The section could not be fetched; try again.";
      scrub.querySelector(".inside").hidden = false;
    } finally {
      event.target.disabled = false;
    }
  });
  range.addEventListener("input", draw);
}

// A countdown to what is asked next; what is late calls: in the title of the page, with a sound where it was allowed.
const running = document.querySelector(".run-work.night");
if (running) {
  let since = performance.now();
  const bare = document.title;
  let told = 0;
  let sound = null;
  const two = (n) => String(n).padStart(2, "0");
  const said = (s) => (s >= 3600 ? `${Math.floor(s / 3600)} h ${two(Math.floor((s % 3600) / 60))} min` : `${Math.floor(s / 60)}:${two(s % 60)}`);
  const beep = () => {
    if (!sound) return;
    const tone = sound.createOscillator();
    const loud = sound.createGain();
    loud.gain.value = 0.2;
    tone.frequency.value = 660;
    tone.connect(loud).connect(sound.destination);
    tone.start();
    tone.stop(sound.currentTime + 0.5);
  };
  const calls = document.querySelector("[data-calls]");
  calls?.addEventListener("change", () => {
    sound = calls.checked ? new AudioContext() : null;
    beep();
  });
  const tick = () => {
    const inside = document.querySelector("#live .inside-run");
    const overdue = Number(inside?.dataset.overdue ?? 0);
    const left = document.querySelector("[data-countdown]");
    if (left) left.textContent = said(Math.max(0, Number(left.dataset.seconds) - Math.floor((performance.now() - since) / 1000)));
    document.title = overdue > 0 ? `(${overdue}) ${inside.dataset.first} · ${bare}` : bare;
    // at once when it becomes late, then each minute
    if (overdue > told || (overdue > 0 && Math.floor(Date.now() / 1000) % 60 === 0)) beep();
    told = overdue;
  };
  document.addEventListener("kiln:fresh", () => { since = performance.now(); tick(); });
  tick();
  setInterval(tick, 1000);
}

// The run: the server says when something was measured or happened, the page fetches it.
const live = document.getElementById("live");
if (live?.dataset.events) {
  let busy = false;
  let wanted = false;
  const fetchNow = async () => {
    if (busy) { wanted = true; return; }
    busy = true;
    try {
      const answer = await fetch(live.dataset.now, { headers: { "X-Requested-With": "live" } });
      if (answer.redirected || !answer.ok) throw new Error("gone");
      const html = await answer.text();
      await globalThis.fingerUp();
      const open = [...live.querySelectorAll("details[open]")].map((d) => d.dataset.key);
      const inside = document.activeElement?.closest?.("#live");
      const focus = inside && document.activeElement.tagName !== "BODY" ? document.activeElement.id : null;
      live.innerHTML = html;
      if (focus) document.getElementById(focus)?.focus();
      for (const d of live.querySelectorAll("details")) if (open.includes(d.dataset.key)) d.open = true;
      document.getElementById("lost").hidden = true;
      document.dispatchEvent(new CustomEvent("kiln:fresh"));
    } catch {
      document.getElementById("lost").hidden = false;
    }
    busy = false;
    if (wanted) { wanted = false; fetchNow(); }
  };
  const source = new EventSource(live.dataset.events);
  source.addEventListener("now", fetchNow);
  source.addEventListener("open", fetchNow);
  source.addEventListener("error", () => { document.getElementById("lost").hidden = false; });
}

// A long log takes some seconds: how far it is, then its page, or what is wrong with it.
document.addEventListener("submit", async (event) => {
  const form = event.target;
  if (form.id !== "log-form" || !document.getElementById("log-file").files.length) return;
  event.preventDefault();
  const button = form.querySelector("button");
  button.disabled = true;
  const { sending } = await import(form.dataset.sending);
  sending(form, {
    intake: `${form.action}/intake`,
    ended: (request, say) => {
      button.disabled = false;
      if (request.status < 300) location.assign(request.responseURL);
      else if (request.status === 422) {
        const work = new DOMParser().parseFromString(request.responseText, "text/html").querySelector(".work");
        document.querySelector(".work").replaceWith(work);
        document.querySelector("#main .bad, #main .is-invalid")?.scrollIntoView({ block: "center" });
      } else say(request.status === 413 ? "This file is over 300 MB." : "It could not be taken; try again.");
    },
  });
});

// A large load takes a second and more: say so while one waits for its page.
for (const form of document.querySelectorAll("#program, #load")) {
  form.addEventListener("submit", () => {
    setTimeout(() => {
      const words = document.createElement("p");
      words.className = "notice";
      words.setAttribute("role", "status");
      words.append("Firing it in the simulation… ", document.createElement("progress"));
      form.querySelector(".save").before(words);
    }, 500);
  });
}

// What is typed and not saved stays in this browser until it is saved or thrown away.
const drafted = program ?? load;
if (drafted) {
  const version = drafted.elements.version.value;
  const place = `kiln-ryu-firing:${location.pathname}:${version}`;
  const state = () => JSON.stringify([...new FormData(drafted)].filter(([name]) => !/^(_csrf|version|as|what)$/.test(name)));
  const first = state();
  const keep = () => {
    try { localStorage.setItem(place, state()); } catch { /* a full store loses the draft, not the page */ }
  };
  const kept = localStorage.getItem(place);
  const main = document.getElementById("main");
  if (kept && kept !== first && !document.querySelector("[data-unsaved]")) {
    const notice = document.createElement("p");
    notice.className = "notice";
    notice.setAttribute("role", "status");
    notice.append("Not saved the last time: what you typed here. ");
    for (const [words, back] of [["Take it up again", true], ["Throw it away", false]]) {
      const button = document.createElement("button");
      button.type = "button";
      button.className = "plain";
      button.textContent = words;
      button.addEventListener("click", () => {
        if (back) {
          for (const [name, value] of JSON.parse(kept)) {
            let input = drafted.elements[name];
            if (!input) {
              input = document.createElement("input");
              input.type = "hidden";
              input.name = name;
              drafted.append(input);
            }
            if (input.type === "checkbox") input.checked = true;
            else input.value = value;
          }
          drafted.dispatchEvent(new Event("change", { bubbles: true }));
        } else localStorage.removeItem(place);
        notice.remove();
      });
      notice.append(button, " ");
    }
    main.querySelector(".title").after(notice);
  }
  drafted.addEventListener("change", keep);
  drafted.addEventListener("submit", () => localStorage.removeItem(place));
}
