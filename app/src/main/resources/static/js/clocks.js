// A count of seconds that runs down; at its end the page is asked again.
for (const clock of document.querySelectorAll(".count-down")) {
  const began = Date.now();
  const all = Number(clock.dataset.left);
  const tick = () => {
    const left = Math.round(all - (Date.now() - began) / 1000);
    if (left <= 0) { clearInterval(run); location.reload(); return; }
    clock.textContent = left >= 3600 ? `${Math.floor(left / 3600)} h ${Math.floor(left / 60) % 60} min` : `${Math.floor(left / 60)}:${String(left % 60).padStart(2, "0")}`;
  };
  const run = setInterval(tick, 500);
  tick();
}
// A clock of work that runs up, and what can hurt at the stage that is chosen.
for (const clock of document.querySelectorAll(".count-up")) {
  const began = Date.now() - Number(clock.dataset.seconds) * 1000;
  const tick = () => {
    const s = Math.floor((Date.now() - began) / 1000);
    clock.textContent = `${Math.floor(s / 3600)}:${String(Math.floor(s / 60) % 60).padStart(2, "0")}:${String(s % 60).padStart(2, "0")}`;
  };
  setInterval(tick, 500);
  tick();
}
