// The turning view of a piece, its marks, and the sending of a mesh with its progress.
const number = (value) => (value < 10 ? value.toFixed(2) : value < 100 ? value.toFixed(1) : value.toFixed(0));

async function view(box) {
  let three;
  let controls;
  try {
    three = await import("three");
    ({ OrbitControls: controls } = await import("three/addons/controls/OrbitControls.js"));
  } catch {
    return;
  }
  const canvas = box.querySelector("canvas");
  let renderer;
  try {
    renderer = new three.WebGLRenderer({ canvas, antialias: true });
  } catch {
    return;
  }
  const answer = await fetch(box.dataset.view);
  if (!answer.ok) return; // replaced or taken away meanwhile
  const data = await answer.arrayBuffer();
  const count = new DataView(data).getInt32(0, true);
  if (data.byteLength < 4 + count * 36) return;
  const positions = new Float32Array(data.slice(4, 4 + count * 36));
  const walls = new Float32Array(data.slice(4 + count * 36));
  const geometry = new three.BufferGeometry();
  geometry.setAttribute("position", new three.BufferAttribute(positions, 3));
  geometry.computeVertexNormals();
  geometry.computeBoundingSphere();
  const plain = new three.Color("#d9b98a");
  const colours = new Float32Array(count * 9);
  geometry.setAttribute("color", new three.BufferAttribute(colours, 3));
  const material = new three.MeshLambertMaterial({ vertexColors: true, side: three.DoubleSide });
  const scene = new three.Scene();
  scene.background = new three.Color("#fffdf8");
  scene.add(new three.Mesh(geometry, material));
  scene.add(new three.HemisphereLight("#ffffff", "#8a7a66", 2.1));
  const lamp = new three.DirectionalLight("#ffffff", 1.7);
  const camera = new three.PerspectiveCamera(32, 1, 0.01, 1);
  camera.add(lamp);
  scene.add(camera);

  const { center, radius } = geometry.boundingSphere;
  const up = new three.Vector3(...box.dataset.up.split(" ").map(Number)).normalize();
  camera.up.copy(up);
  const side = Math.abs(up.z) > 0.9 ? new three.Vector3(0.35, -1, 0) : new three.Vector3(0, 0, 1).cross(up).add(new three.Vector3(0, 0, 0.4));
  side.addScaledVector(up, -side.dot(up)).normalize().addScaledVector(up, 0.3).normalize();
  camera.position.copy(center).addScaledVector(side, radius * 4.1);
  camera.near = radius / 50;
  camera.far = radius * 30;
  const turn = new controls(camera, canvas);
  turn.target.copy(center);
  // the controls looked at the file's origin when they were made: at the piece from now on, wherever its origin lies
  turn.update();
  turn.enablePan = false;
  turn.listenToKeyEvents(canvas);

  // Marks are drawn a little large and over the piece, so that none hides inside it.
  const kinds = { thin: "#a2382a", thick: "#4d5f70", high: "#27685d", low: "#8a560c" };
  const marks = [...document.querySelectorAll(".marks li")].map((line) => {
    const ball = new three.Mesh(
      new three.SphereGeometry(radius * 0.032, 16, 12),
      new three.MeshBasicMaterial({ color: kinds[line.dataset.kind], depthTest: false, transparent: true, opacity: 0.85 }),
    );
    ball.position.set(Number(line.dataset.x), Number(line.dataset.y), Number(line.dataset.z));
    ball.renderOrder = 2;
    scene.add(ball);
    for (const [event, size] of [["mouseenter", 1.9], ["mouseleave", 1]]) {
      line.addEventListener(event, () => { ball.scale.setScalar(size); draw(); });
    }
    return ball;
  });

  const least = Number(box.dataset.least);
  const most = Number(box.dataset.most);
  const paint = (byWall) => {
    const colour = new three.Color();
    for (let t = 0; t < count; t++) {
      const share = (walls[t] - least) / Math.max(most - least, 1e-9);
      if (byWall && Number.isFinite(share)) colour.setHSL(0.08 + 0.5 * Math.min(1, Math.max(0, share)), 0.55, 0.48);
      else colour.copy(plain);
      for (let k = 0; k < 3; k++) colour.toArray(colours, t * 9 + k * 3);
    }
    geometry.attributes.color.needsUpdate = true;
    draw();
  };
  function draw() {
    renderer.render(scene, camera);
  }
  const size = () => {
    const width = canvas.parentElement.clientWidth - 12;
    renderer.setPixelRatio(Math.min(2, devicePixelRatio));
    renderer.setSize(width, Math.round(width * 0.78), true);
    camera.aspect = 1 / 0.78;
    camera.updateProjectionMatrix();
    draw();
  };
  turn.addEventListener("change", draw);
  new ResizeObserver(size).observe(canvas.parentElement);

  const button = box.querySelector("[data-colour]");
  const key = box.querySelector(".scale-key");
  button.disabled = walls.length === 0;
  button.addEventListener("click", () => {
    const on = button.getAttribute("aria-pressed") !== "true";
    button.setAttribute("aria-pressed", String(on));
    key.hidden = !on;
    paint(on);
  });
  const unit = Number(box.dataset.unit ?? 1);
  key.querySelector("[data-least]").textContent = `${number(least * unit)} mm`;
  key.querySelector("[data-most]").textContent = `${number(most * unit)} mm`;

  // "This side up": the direction that points up on the screen now.
  box.querySelector("[data-up-now]").addEventListener("click", () => {
    const upward = new three.Vector3(0, 1, 0).applyQuaternion(camera.quaternion);
    box.querySelector("[data-up-field]").value = upward.toArray().map((v) => v.toFixed(3)).join(" ");
  });
  paint(false);
  size();
  box.classList.add("live");
  box.dataset.marks = marks.length;
}

const box = document.querySelector(".viewer");
if (box) view(box);

// Sending with progress; without this script the form is sent as any other.
const form = document.querySelector("[data-upload]");
form?.addEventListener("submit", async (event) => {
  event.preventDefault();
  const { sending } = await import(form.dataset.sending);
  sending(form, {
    ended: (request, say) => {
      if (request.status < 400) location.reload();
      else say(request.status === 413 ? "This file is over 300 MB; reduce the mesh first." : "It could not be taken; try again.");
    },
  });
});

// Once measuring has ended, the page is shown with its result.
document.addEventListener("htmx:afterSettle", () => {
  if (document.querySelector("#mesh-state[data-done]")) location.reload();
});

// Which small record belongs to the way it is made.
const plan = document.getElementById("plan");
plan?.addEventListener("change", (event) => {
  if (event.target.name === "made") plan.dataset.made = event.target.value;
});
