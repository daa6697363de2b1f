// A slow or absent network: what is being computed is marked after a moment, figures that are stale look stale, and what could
// not be sent is kept and tried again.
const LATE_MS = 300;
const LOOK_MS = 3000;
const timers = new Map();
const bar = document.createElement("p");
bar.className = "notice bad away-bar no-print";
bar.setAttribute("role", "alert");
bar.hidden = true;
const says = document.createElement("span");
const again = document.createElement("button");
again.type = "button";
again.className = "plain";
again.textContent = "Try again";
bar.append(says, again);

const alive = async () => {
  try {
    return (await fetch("/actuator/health/liveness", { cache: "no-store", signal: AbortSignal.timeout(8000) })).ok;
  } catch {
    return false;
  }
};

let away = false;
let waiting = null;
let failed = new Set();
const back = () => {
  away = false;
  bar.hidden = true;
  for (const elt of failed) if (elt.isConnected) htmx.trigger(elt, "retry");
  failed = new Set();
};
const look = async () => {
  if (!away) return;
  if (await alive()) {
    if (waiting) {
      says.textContent = "Connected again. What you typed still stands here and was not saved yet.";
      again.textContent = "Save it now";
    } else back();
    return;
  }
  setTimeout(look, LOOK_MS);
};
const gone = (words) => {
  if (!bar.isConnected) document.querySelector("header.top")?.after(bar);
  says.textContent = words;
  again.textContent = "Try again";
  bar.hidden = false;
  if (away) return;
  away = true;
  setTimeout(look, LOOK_MS);
};
again.addEventListener("click", async () => {
  if (!(await alive())) {
    gone("Still not connected. What you typed stays here.");
    return;
  }
  const send = waiting;
  waiting = null;
  back();
  if (send?.form.isConnected) send.form.requestSubmit(send.by?.isConnected ? send.by : null);
});

// A form is not sent into nothing: it stays as it is until there is somebody to take it.
document.addEventListener("submit", (event) => {
  if (event.defaultPrevented || (!away && navigator.onLine) || event.target.method === "get" || event.target.matches("[data-tap]") || event.target.method === "dialog") return;
  event.preventDefault();
  event.stopImmediatePropagation();
  waiting = { form: event.target, by: event.submitter };
  away = false;
  gone("Not connected: nothing was saved. What you typed stays here, and is tried again when the connection is back.");
}, true);
// Whether there is somebody is asked when a hand goes to a button.
document.addEventListener("pointerdown", async (event) => {
  // taps of a pour keep themselves
  const button = event.target.closest?.("form[method=post]:not([data-tap]) button:not([type=button])");
  if (button && !away && !(await alive())) gone("Not connected. What you type stays here; nothing is saved until it is back.");
}, true);
addEventListener("offline", () => gone("Not connected. What you type stays here; nothing is saved until it is back."));

// What takes long says how far it is, and can be stopped.
const LONG_MS = 1200;
const reckoning = document.createElement("p");
reckoning.className = "notice away-bar no-print";
reckoning.setAttribute("role", "status");
reckoning.hidden = true;
const far = document.createElement("span");
const enough = document.createElement("button");
enough.type = "button";
enough.className = "plain";
enough.textContent = "Stop it";
reckoning.append(far, " ", enough);
const pending = new Set();
let looking = null;
let shownId = null;
const howFar = async () => {
  looking = null;
  if (pending.size === 0) return;
  try {
    const [first] = await (await fetch("/simulations", { cache: "no-store" })).json();
    if (pending.size === 0) return;
    reckoning.hidden = !first;
    if (first) {
      if (!reckoning.isConnected) document.querySelector("header.top")?.after(reckoning);
      shownId = first.id;
      far.textContent = `${first.words}.`;
    }
  } catch {
    // the bar of a network that is away says so
  }
  looking ??= setTimeout(howFar, LONG_MS);
};
enough.addEventListener("click", async () => {
  far.textContent = "Stopping…";
  const _csrf = document.querySelector("input[name=_csrf]")?.value ?? "";
  await fetch(`/simulations/${shownId}/stop`, { method: "POST", body: new URLSearchParams({ _csrf }) });
});
document.addEventListener("htmx:beforeRequest", (event) => {
  pending.add(event.detail.xhr);
  looking ??= setTimeout(howFar, LONG_MS);
});
const landed = (event) => {
  pending.delete(event.detail.xhr);
  if (pending.size > 0) return;
  clearTimeout(looking);
  looking = null;
  reckoning.hidden = true;
};
for (const name of ["htmx:afterRequest", "htmx:sendError", "htmx:abort", "htmx:timeout"]) document.addEventListener(name, landed);

const places = (event) => {
  const elt = event.detail?.elt;
  const target = event.detail?.target;
  if (!elt || !target) return [];
  return elt.id === "plan" ? [target, document.getElementById("ready")].filter(Boolean) : [target];
};
document.addEventListener("htmx:beforeRequest", (event) => {
  clearTimeout(timers.get(event.detail.elt));
  timers.set(event.detail.elt, setTimeout(() => {
    for (const place of places(event)) place.classList.add("stale");
  }, LATE_MS));
});
const settled = (event) => {
  clearTimeout(timers.get(event.detail.elt));
  timers.delete(event.detail.elt);
};
document.addEventListener("htmx:afterRequest", (event) => {
  settled(event);
  if (event.detail.xhr?.getResponseHeader("X-Stopped")) {
    // what is shown is of before what was typed; where it is kept by itself it holds as it is
    const holds = event.detail.elt.hasAttribute("data-holds");
    for (const place of places(event)) {
      place.classList.toggle("stale", !holds);
      place.classList.toggle("stopped", !holds);
    }
  } else if (event.detail.successful) {
    for (const place of document.querySelectorAll(".stale")) place.classList.remove("stale", "stopped");
    if (away && !waiting) back();
  }
});
for (const name of ["htmx:sendError", "htmx:timeout"]) {
  document.addEventListener(name, (event) => {
    settled(event);
    for (const place of places(event)) place.classList.add("stale");
    failed.add(event.detail.elt);
    // that something waits to be saved is said rather
    if (!waiting) gone("Not connected: the figures may be old. What you type stays here, and is computed when the connection is back.");
  });
}
document.addEventListener("htmx:responseError", (event) => {
  if (event.detail.xhr.status < 500) return;
  for (const place of places(event)) place.classList.add("stale");
  failed.add(event.detail.elt);
  gone("This could not be computed just now: the figures may be old. It is tried again.");
});

// The last net: a page of our own where the browser would show its error. Only where the browser allows it.
if ("serviceWorker" in navigator && isSecureContext) navigator.serviceWorker.register("/sw.js").catch(() => {});
