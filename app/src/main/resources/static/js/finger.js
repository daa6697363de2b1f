// What a finger is on its way to press stays where it is: fresh state waits until the finger is up again. A button that is put in
// anew between down and up would never be pressed, and the tap be lost without a word.
const down = new Set();
let waiting = [];
const lifted = () => {
  // the click comes after the finger is up, so its answer goes first
  setTimeout(() => {
    if (down.size) return;
    const all = waiting;
    waiting = [];
    for (const go of all) go();
  }, 0);
};
const up = (event) => { down.delete(event.pointerId); lifted(); };
addEventListener("pointerdown", (event) => { down.add(event.pointerId); }, true);
addEventListener("pointerup", up, true);
addEventListener("pointercancel", up, true);
// a window that loses the pointer is not told that it was lifted
addEventListener("blur", () => { down.clear(); lifted(); });
globalThis.fingerUp = () => (down.size ? new Promise((go) => { waiting.push(go); }) : Promise.resolve());
// what a page asks for by itself now and then is asked for again, and let go this time
document.addEventListener("htmx:beforeSwap", (event) => {
  if (down.size && event.detail.requestConfig?.elt?.getAttribute("hx-trigger")?.startsWith("every")) event.detail.shouldSwap = false;
});
