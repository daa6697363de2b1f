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
