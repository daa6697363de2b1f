// The wash bench: one tap for each casting, a defect set with a finger on its drawing or its photo.
const main = document.querySelector("[data-taps]");
if (main) {
  const live = document.getElementById("out-live");
  const lost = document.getElementById("lost");
  const asked = new URLSearchParams(location.search);
  const address = () => {
    const query = new URLSearchParams();
    for (const name of ["casting", "photo", "why"]) if (asked.get(name)) query.set(name, asked.get(name));
    return `${main.dataset.now}?${query}`;
  };

  // Fresh state after a tap and now and then; what is being typed or pinned stays.
  let busy = false;
  let wanted = false;
  let version = live.querySelector("[data-version]")?.dataset.version;
  const fresh = async (always = true) => {
    if (busy) { wanted = true; return; }
    busy = true;
    try {
      const answer = await fetch(address(), { headers: { "X-Requested-With": "live" }, cache: "no-store" });
      if (answer.redirected || !answer.ok) throw new Error("gone");
      const html = await answer.text();
      await globalThis.fingerUp();
      lost.hidden = true;
      const next = new DOMParser().parseFromString(html, "text/html").querySelector("[data-version]")?.dataset.version;
      if (always || next !== version) {
        version = next;
        const open = [...live.querySelectorAll("details[data-key][open]")].map((d) => d.dataset.key);
        const typed = [...live.querySelectorAll("input.form-control")].filter((i) => i.value).map((i) => [i.id, i.value]);
        const focus = live.contains(document.activeElement) ? document.activeElement.id : null;
        live.innerHTML = html;
        for (const d of live.querySelectorAll("details[data-key]")) if (open.includes(d.dataset.key)) d.open = true;
        for (const [id, value] of typed) { const field = document.getElementById(id); if (field && !field.value) field.value = value; }
        if (focus) document.getElementById(focus)?.focus({ preventScroll: true });
      }
    } catch {
      lost.hidden = false;
    }
    busy = false;
    if (wanted) { wanted = false; fresh(); }
  };
  const choose = (number) => {
    if (asked.get("casting") === String(number)) return;
    asked.set("casting", number);
    asked.delete("photo");
    history.replaceState(null, "", `${location.pathname}?${asked}${location.hash}`);
  };
  globalThis.keepTaps({ shelf: `kiln-ryu-${main.dataset.taps}`, address: main.dataset.tap, told: (said, tap) => { if (tap.fields.saw !== undefined) choose(tap.fields.casting); }, after: fresh });
  live.addEventListener("click", async (event) => {
    const link = event.target.closest("[data-choose]");
    if (!link) return;
    event.preventDefault();
    choose(link.dataset.choose);
    await fresh();
    document.getElementById("pin")?.scrollIntoView({ block: "nearest", behavior: "smooth" });
  });

  // The point: a finger, a mouse, or the arrow keys. Where it lies says something of the place; the caster says the rest.
  const put = (box, x, y) => {
    const at = [Math.min(1, Math.max(0, x)), Math.min(1, Math.max(0, y))];
    document.getElementById("pin-x").value = at[0].toFixed(4);
    document.getElementById("pin-y").value = at[1].toFixed(4);
    const ring = box.querySelector(".ring");
    ring.hidden = false;
    ring.style.left = `${at[0] * 100}%`;
    ring.style.top = `${at[1] * 100}%`;
    if (box.querySelector("img")) return;
    const tick = (place, on) => { const b = live.querySelector(`[data-place="${place}"]`); if (b && !b.dataset.touched) b.checked = on; };
    tick("top", at[1] < 0.34);
    tick("middle", at[1] >= 0.34 && at[1] <= 0.66);
    tick("bottom", at[1] > 0.66);
    const gate = live.querySelector(".point .gate")?.getBBox();
    const svg = live.querySelector(".point svg.cast")?.viewBox.baseVal;
    if (!gate || !svg) return;
    const far = Math.hypot(at[0] * svg.width - (gate.x + gate.width / 2), at[1] * svg.height - (gate.y + gate.height / 2)) / svg.width;
    tick("far-end", far > 0.55);
    tick("near-gate", far < 0.25);
  };
  live.addEventListener("pointerdown", (event) => {
    const box = event.target.closest("[data-point]");
    if (!box) return;
    const r = box.getBoundingClientRect();
    put(box, (event.clientX - r.left) / r.width, (event.clientY - r.top) / r.height);
  });
  live.addEventListener("keydown", (event) => {
    const box = event.target.closest("[data-point]");
    const step = { ArrowLeft: [-0.04, 0], ArrowRight: [0.04, 0], ArrowUp: [0, -0.04], ArrowDown: [0, 0.04] }[event.key];
    if (!box || !step) return;
    event.preventDefault();
    const x = Number(document.getElementById("pin-x").value || 0.5);
    const y = Number(document.getElementById("pin-y").value || 0.5);
    put(box, x + step[0], y + step[1]);
  });
  live.addEventListener("change", (event) => {
    const box = event.target.closest("[data-place]");
    if (box) box.dataset.touched = "yes";
    const sign = event.target.closest(".sign");
    if (sign) document.getElementById("set-pin").textContent = `Set ${sign.textContent.trim()} here`;
    if (event.target.matches("[data-send]") && event.target.files.length) event.target.form.requestSubmit();
  });
  setInterval(() => { if (!document.hidden) fresh(false); }, 10000);
}
document.getElementById("stage")?.addEventListener("change", (event) => {
  const hazard = document.getElementById("hazard");
  const words = event.target.selectedOptions[0]?.dataset.hazard ?? "";
  hazard.hidden = words === "";
  hazard.textContent = words;
});
