// Clocks count down to instants of the server; the difference between its clock and this one is taken out.
const two = (n) => String(n).padStart(2, "0");

for (const clock of document.querySelectorAll("[data-clock]")) {
  const ahead = Date.parse(clock.dataset.now) - Date.now();
  const ends = Date.parse(clock.dataset.ends);
  const tick = () => {
    const left = Math.ceil((ends - Date.now() - ahead) / 1000);
    const over = left <= 0;
    const s = Math.abs(left);
    const text = s >= 3600 ? `${Math.floor(s / 3600)}:${two(Math.floor(s / 60) % 60)}:${two(s % 60)}` : `${Math.floor(s / 60)}:${two(s % 60)}`;
    clock.textContent = over && s > 0 ? `+${text}` : text;
    clock.parentElement.classList.toggle("over", over);
    if (over && clock.dataset.endWord) clock.nextElementSibling.textContent = clock.dataset.endWord;
  };
  tick();
  setInterval(tick, 500);
}
