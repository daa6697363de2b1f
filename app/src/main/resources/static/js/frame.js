// The frame round every page: the Studio menu closes when one looks elsewhere; light, dark, or as the device has it.
const menu = document.querySelector("[data-menu]");
document.addEventListener("click", (event) => {
  if (menu?.open && !menu.contains(event.target)) menu.open = false;
});
document.addEventListener("keydown", (event) => {
  if (event.key === "Escape" && menu?.open) {
    menu.open = false;
    menu.querySelector("summary").focus();
  }
});

const themes = ["", "dark", "light"];
const words = { "": "Colours: as the device", dark: "Colours: dark", light: "Colours: light" };
const button = document.querySelector("[data-theme-next]");
const now = () => document.documentElement.dataset.theme ?? "";
const tell = () => { if (button) button.textContent = words[now()]; };
tell();
button?.addEventListener("click", () => {
  const next = themes[(themes.indexOf(now()) + 1) % themes.length];
  if (next) document.documentElement.dataset.theme = next;
  else delete document.documentElement.dataset.theme;
  document.cookie = `theme=${next}; path=/; max-age=${next ? 31536000 : 0}; samesite=lax`;
  tell();
});

// The first use of a term of the trade on a page leads to its drawing among the words.
const marked = async () => {
  const main = document.getElementById("main");
  if (!main || !document.querySelector(".who") || main.querySelector(".words, .help")) return;
  const answer = await fetch("/glossary/terms");
  if (!answer.ok || answer.redirected) return;
  const terms = new Map((await answer.json()).map((t) => [t.word, t]));
  const words = [...terms.keys()].sort((a, b) => b.length - a.length);
  const pattern = new RegExp(`\\b(${words.join("|")})\\b`, "i");
  const places = main.querySelectorAll("h2, th[scope=col], dt, p.def, .wait");
  for (const place of places) {
    if (terms.size === 0) break;
    if (place.closest("a, button, label, summary, form.find, #answer, #live, [aria-live], .card-sheet, .sheet-card, .no-words")) continue;
    for (const node of place.childNodes) {
      if (node.nodeType !== Node.TEXT_NODE) continue;
      const found = pattern.exec(node.data);
      const term = found && terms.get(found[1].toLowerCase());
      if (!term) continue;
      const after = node.splitText(found.index);
      after.data = after.data.slice(found[1].length);
      const link = document.createElement("a");
      link.className = "term";
      link.href = `/glossary#${term.key}`;
      link.title = term.meaning;
      link.textContent = found[1];
      after.before(link);
      terms.delete(term.word);
      break;
    }
  }
};
(window.requestIdleCallback ?? setTimeout)(() => marked().catch(() => {}));

// The clock of the first visit is that of the browser, until someone types another.
const zone = document.querySelector("[data-zone]:not([data-own])");
const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
if (zone && here?.includes("/")) zone.value = here;
