// Taps are kept in the browser until the server has them, each once, with the moment it was tapped.
// Loaded before the scripts of its pages, by its own versioned address.
globalThis.keepTaps = ({ shelf, address, told, after }) => {
  const word = document.getElementById("tap-word");
  const kept = document.getElementById("tap-kept");
  const lost = document.getElementById("lost");
  const queue = () => JSON.parse(localStorage.getItem(shelf) ?? "[]");
  const keep = (taps) => localStorage.setItem(shelf, JSON.stringify(taps));
  const token = () => document.querySelector("#tap-token [name=_csrf]")?.value ?? "";
  const deliver = async (tap) => {
    const body = new URLSearchParams({ ...tap.fields, key: tap.key, ago: String(Math.max(0, Date.now() - tap.at)), _csrf: token() });
    const answer = await fetch(address, { method: "POST", body, headers: { "X-Tap": "1" } });
    if (answer.status >= 500 || answer.redirected || answer.status === 401 || answer.status === 403) throw new Error(answer.status);
    const said = answer.headers.get("Content-Type")?.includes("json") ? await answer.json() : { ok: answer.ok, word: "" };
    word.hidden = said.ok;
    word.textContent = said.ok ? "" : said.word;
    // what was typed and not taken stands in its field again
    if (!said.ok) for (const [id, value] of tap.typed ?? []) {
      const field = document.getElementById(id);
      if (field && !field.value) field.value = value;
    }
    told?.(said, tap);
  };

  // What was tapped without a network is delivered in its order, once.
  let sending = false;
  const flush = async () => {
    if (sending) return;
    sending = true;
    let sent = false;
    while (queue().length) {
      const [tap] = queue();
      try {
        await deliver(tap);
        keep(queue().filter((t) => t.key !== tap.key));
        sent = true;
      } catch {
        lost.hidden = false;
        break;
      }
    }
    sending = false;
    const left = queue().length;
    kept.hidden = left === 0;
    kept.textContent = left === 1 ? "One tap is kept here until the network is back." : `${left} taps are kept here until the network is back.`;
    if (sent) after();
    if (left) setTimeout(flush, 2000);
  };
  document.addEventListener("submit", (event) => {
    const form = event.target;
    if (!form.matches?.("[data-tap]")) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    const fields = Object.fromEntries(new FormData(form, event.submitter));
    delete fields._csrf;
    delete fields._once;
    const inputs = [...form.querySelectorAll("input.form-control")];
    const typed = inputs.filter((i) => i.id && i.value).map((i) => [i.id, i.value]);
    keep([...queue(), { key: crypto.randomUUID?.() ?? `${Date.now()}-${Math.random()}`, at: Date.now(), fields, typed }]);
    for (const input of inputs) input.value = "";
    event.submitter?.classList.add("tapped");
    flush();
  }, true);
  addEventListener("online", flush);
  flush();
  return { flush };
};
