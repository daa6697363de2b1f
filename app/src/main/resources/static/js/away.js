// The database is away: look whether it is back. A page that was only read is read again; what was sent is sent again by
// the one who typed it.
const LOOK_MS = 2000;
const sent = document.getElementById("sent");
const back = document.getElementById("back");
const posted = document.documentElement.dataset.sent === "yes";

sent.hidden = !posted;
back.querySelector("button").addEventListener("click", () => history.back());

async function look() {
  try {
    const answer = await fetch("/actuator/health/readiness", { cache: "no-store" });
    if (answer.ok) {
      if (posted) {
        back.hidden = false;
      } else {
        location.replace(location.href);
      }
      return;
    }
  } catch {
    // away as a whole: look again
  }
  setTimeout(look, LOOK_MS);
}

setTimeout(look, LOOK_MS);
