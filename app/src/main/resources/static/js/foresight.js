// A tree filled and frozen: the slider, the cut, and the turning view.
const COLOURS = ["#e3e7d8", "#b6d1ca", "#7fb3b5", "#4b86aa", "#31568f", "#28265c"];

function slide(form) {
  const shown = document.getElementById("cut-view");
  const step = form.elements.step;
  let asked = 0;
  let waits = false;
  const show = async () => {
    if (waits) {
      asked++;
      return;
    }
    waits = true;
    do {
      asked = 0;
      const answer = await fetch(`${form.dataset.address}?${new URLSearchParams(new FormData(form))}`);
      if (answer.ok) {
        shown.innerHTML = await answer.text();
        reach(shown.querySelector("[data-least]"));
      }
    } while (asked > 0);
    waits = false;
  };
  // another plane is cut along another side of the tree
  const reach = (cut) => {
    if (!cut) return;
    const off = form.elements.off;
    off.min = cut.dataset.least;
    off.max = cut.dataset.most;
    off.value = cut.dataset.off;
    form.dispatchEvent(new Event("reached"));
  };
  form.addEventListener("input", (event) => {
    if (event.target.name === "plane") form.elements.off.disabled = true; // the place that shows the gravest mark
    show();
    form.elements.off.disabled = false;
  });
  form.addEventListener("submit", (event) => {
    event.preventDefault();
    show();
  });
  let playing = 0;
  const play = form.querySelector("[data-play]");
  const still = () => {
    clearInterval(playing);
    playing = 0;
    play.textContent = "Play";
  };
  play.addEventListener("click", () => {
    if (playing) return still();
    if (Number(step.value) >= Number(step.max)) step.value = 0;
    play.textContent = "Stop";
    playing = setInterval(() => {
      step.value = Number(step.value) + 1;
      show();
      if (Number(step.value) >= Number(step.max) || !form.isConnected) still();
    }, 120);
  });
  document.querySelector("[data-print]")?.addEventListener("click", () => window.print());
}

function turns(turning, turn, form) {
  turn.addEventListener("click", async () => {
    const cut = document.getElementById("cut-view");
    if (!turning.hidden) {
      turning.hidden = true;
      cut.hidden = false;
      turn.textContent = "Turn in space";
    } else if (turning.dataset.done || (await turnable(turning, COLOURS, form))) {
      turning.dataset.done = "yes";
      turning.hidden = false;
      cut.hidden = true;
      turn.textContent = "Back to the cut";
      turning.dispatchEvent(new Event("shown"));
    } else {
      turn.disabled = true;
      turn.textContent = "Cannot be turned here: the cuts show the same";
    }
  });
}

// The page may have been put in place anew.
const bind = () => {
  const form = document.querySelector("[data-cut]:not([data-bound])");
  if (!form) return;
  form.dataset.bound = "yes";
  slide(form);
  const turning = document.querySelector("[data-turning]");
  const turn = document.querySelector("[data-turn]");
  if (turning && turn) turns(turning, turn, form);
};
bind();
document.body.addEventListener("htmx:afterSettle", bind);

async function turnable(box, colours, form) {
  let three;
  let controls;
  let renderer;
  const canvas = box.querySelector("canvas");
  try {
    three = await import("three");
    ({ OrbitControls: controls } = await import("three/addons/controls/OrbitControls.js"));
    renderer = new three.WebGLRenderer({ canvas, antialias: true });
  } catch {
    return false;
  }
  const answer = await fetch(box.dataset.cells);
  if (!answer.ok) return false;
  const data = new DataView(await answer.arrayBuffer());
  const count = data.getInt32(0, true);
  const size = [data.getInt32(4, true), data.getInt32(8, true), data.getInt32(12, true)];
  const scene = new three.Scene();
  scene.background = new three.Color("#fffdf8");
  scene.add(new three.HemisphereLight("#ffffff", "#8a7a66", 2.4));
  // what is on the near side of the plane is cut away
  const plane = new three.Plane(new three.Vector3(0, 1, 0), 0);
  renderer.localClippingEnabled = true;
  const cells = new three.InstancedMesh(
    new three.BoxGeometry(1, 1, 1),
    new three.MeshLambertMaterial({ clippingPlanes: [plane], side: three.DoubleSide }),
    count,
  );
  const place = new three.Matrix4();
  const colour = new three.Color();
  for (let i = 0; i < count; i++) {
    const at = 16 + 8 * i;
    place.setPosition(
      data.getUint16(at, true) - size[0] / 2,
      data.getUint16(at + 2, true) - size[1] / 2,
      data.getUint16(at + 4, true) - size[2] / 2,
    );
    cells.setMatrixAt(i, place);
    cells.setColorAt(i, colour.set(data.getUint8(at + 7) ? "#a2382a" : colours[data.getUint8(at + 6)]));
  }
  scene.add(cells);
  const reach = Math.max(...size);
  const camera = new three.PerspectiveCamera(32, 1, reach / 100, reach * 10);
  camera.up.set(0, 0, 1);
  camera.position.set(0.7 * reach, -1.8 * reach, 0.5 * reach);
  const orbit = new controls(camera, canvas);
  const off = form.elements.off;
  const draw = () => {
    const wide = box.clientWidth;
    if (!wide) return;
    renderer.setPixelRatio(Math.min(2, devicePixelRatio));
    renderer.setSize(wide, Math.round(wide * 0.9), false);
    camera.aspect = 1 / 0.9;
    camera.updateProjectionMatrix();
    const share = (Number(off.value) - Number(off.min)) / (Number(off.max) - Number(off.min));
    const side = { front: 1, side: 0, level: 2 }[form.elements.plane.value];
    plane.normal.set(side === 0 ? 1 : 0, side === 1 ? 1 : 0, side === 2 ? -1 : 0);
    plane.constant = (side === 2 ? 1 : -1) * (share - 0.5) * size[side];
    renderer.render(scene, camera);
  };
  orbit.addEventListener("change", draw);
  off.addEventListener("input", draw);
  form.addEventListener("reached", draw);
  box.addEventListener("shown", draw);
  return true;
}
