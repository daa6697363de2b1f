// The pour day: its taps, its clocks, and fresh state as often as something happened.
const day = document.querySelector(".pour-day");
if (day) {
  const live = document.getElementById("pour-live");
  const lost = document.getElementById("lost");

  // Fresh state, as often as something happened; what is being typed stays.
  let busy = false;
  let wanted = false;
  let last = "";
  const fresh = async () => {
    if (busy) { wanted = true; return; }
    busy = true;
    try {
      const answer = await fetch(day.dataset.now, { headers: { "X-Requested-With": "live" }, cache: "no-store" });
      if (answer.redirected || !answer.ok) throw new Error("gone");
      const html = await answer.text();
      await globalThis.fingerUp();
      lost.hidden = true;
      // only what changed is put in again: a finger on its way to a button finds it
      const same = (text) => text.replace(/data-server="\d+"|data-left="-?\d+"|data-share="\d+"|\d\d:\d\d:\d\d/g, "");
      if (same(html) === last) {
        const now = new DOMParser().parseFromString(html, "text/html");
        live.querySelector("[data-server]").dataset.server = now.querySelector("[data-server]").dataset.server;
        const clock = live.querySelector("[data-day-clock]");
        clock.dataset.from = now.querySelector("[data-day-clock]").textContent;
        for (const left of live.querySelectorAll(".left-clock")) left.dataset.left = now.querySelector(".left-clock")?.dataset.left ?? left.dataset.left;
        busy = false;
        began();
        return;
      }
      last = same(html);
      const open = [...live.querySelectorAll("details[open]")].map((d) => d.dataset.key);
      const typed = [...live.querySelectorAll("input.form-control")].filter((i) => i.value).map((i) => [i.id, i.value]);
      const focus = live.contains(document.activeElement) ? document.activeElement.id : null;
      live.innerHTML = html;
      for (const d of live.querySelectorAll("details")) if (open.includes(d.dataset.key)) d.open = true;
      for (const [id, value] of typed) if (document.getElementById(id)) document.getElementById(id).value = value;
      if (focus) document.getElementById(focus)?.focus({ preventScroll: true });
      began();
    } catch {
      lost.hidden = false;
    }
    busy = false;
    if (wanted) { wanted = false; fresh(); }
  };

  // Clocks between two answers.
  let base = 0;
  let server = 0;
  const began = () => {
    base = Date.now();
    server = Number(live.querySelector("[data-server]")?.dataset.server ?? base);
    tick();
  };
  const said = (s) => (s < 0 ? "over by " : "") + (Math.abs(s) < 100 ? `${Math.abs(s)} s` : `${Math.floor(Math.abs(s) / 60)}:${String(Math.abs(s) % 60).padStart(2, "0")}`);
  const tick = () => {
    const passed = (Date.now() - base) / 1000;
    const clock = live.querySelector("[data-day-clock]");
    if (clock && clock.dataset.from === undefined) clock.dataset.from = clock.textContent;
    if (clock) {
      const [h, m, s] = clock.dataset.from.split(":").map(Number);
      const all = Math.floor(h * 3600 + m * 60 + s + passed) % 86400;
      clock.textContent = [Math.floor(all / 3600), Math.floor(all / 60) % 60, all % 60].map((n) => String(n).padStart(2, "0")).join(":");
    }
    for (const left of live.querySelectorAll(".left-clock")) {
      const runs = left.dataset.runs === "true";
      const now = Math.round(Number(left.dataset.left) - (runs ? passed : 0));
      left.textContent = said(now);
      left.classList.toggle("over", now < 0);
      const bar = left.parentElement.querySelector(".left-bar i");
      const whole = Number(bar.dataset.window) || 1;
      bar.style.width = `${Math.max(0, Math.min(100, (now / whole) * 100))}%`;
    }
  };
  began();
  setInterval(tick, 250);
  const { flush } = keepTaps({ shelf: `kiln-ryu-taps-${day.dataset.pour}`, address: day.dataset.tap, after: fresh });
  if (day.dataset.events) {
    const source = new EventSource(day.dataset.events);
    source.addEventListener("now", fresh);
    source.addEventListener("open", () => { flush(); fresh(); });
    source.addEventListener("error", () => { lost.hidden = false; });
    // a phone that slept, a proxy that holds the stream back
    setInterval(fresh, 5000);
  }
}
