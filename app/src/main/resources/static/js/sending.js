// Sends a form with a file and says how far it is: how much of the file has gone, then what the server says of its work.

// ended(request) is called with any answer, busy(words) may give an address that tells {words, share} while one waits.
export const sending = (form, { ended, intake }) => {
  const line = form.querySelector(".sending");
  const bar = line.querySelector("progress");
  const words = line.querySelector("span");
  const abort = line.querySelector("[data-abort]");
  const request = new XMLHttpRequest();
  let asking = 0;
  const ask = async () => {
    try {
      const answer = await fetch(intake);
      const told = answer.status === 200 ? await answer.json() : null;
      if (asking && told) {
        bar.value = told.share;
        words.textContent = `${told.words}, ${Math.round(told.share * 100)} %`;
      }
    } catch { /* the answer to the form says what happened */ }
    if (asking) asking = setTimeout(ask, 350);
  };
  const over = () => { clearTimeout(asking); asking = 0; };
  line.hidden = false;
  request.upload.addEventListener("progress", (sent) => {
    if (sent.lengthComputable) bar.value = sent.loaded / sent.total;
    words.textContent = `${(sent.loaded / 1e6).toFixed(1)} MB sent`;
  });
  request.upload.addEventListener("load", () => { if (intake) asking = setTimeout(ask, 350); });
  request.addEventListener("load", () => { over(); ended(request, (text) => { words.textContent = text; }); });
  request.addEventListener("error", () => { over(); words.textContent = "The connection broke; nothing was kept. Try again."; });
  abort?.addEventListener("click", () => { request.abort(); line.hidden = true; form.reset(); }, { once: true });
  request.open("POST", form.action);
  request.send(new FormData(form));
};
