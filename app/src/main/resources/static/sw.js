// The network or the application is away: a page of our own in place of the browser's error. Nothing else is kept or answered here.
const KEPT = "kiln-ryu-away-1";
const PAGES = ["/away.html", "/js/away.js", "/css/theme.css", "/webjars/bootstrap/css/bootstrap.min.css", "/favicon.svg"];

self.addEventListener("install", (event) => {
  event.waitUntil(caches.open(KEPT).then((cache) => cache.addAll(PAGES)).then(() => self.skipWaiting()));
});
self.addEventListener("activate", (event) => {
  event.waitUntil(caches.keys()
    .then((names) => Promise.all(names.filter((n) => n !== KEPT).map((n) => caches.delete(n))))
    .then(() => self.clients.claim()));
});

const away = async (request) => {
  const page = await caches.match("/away.html");
  const text = await page.text();
  const words = text
    .replaceAll("The database is away", "Kiln Ryu cannot be reached")
    .replace("when the database is back", "when it is back")
    .replace('<html lang="en">', `<html lang="en" data-sent="${request.method === "POST" ? "yes" : "no"}">`);
  return new Response(words, { status: 503, headers: { "Content-Type": "text/html;charset=UTF-8", "Cache-Control": "no-store" } });
};

self.addEventListener("fetch", (event) => {
  if (event.request.mode === "navigate") {
    event.respondWith(fetch(event.request).catch(() => away(event.request)));
    return;
  }
  // what the page of ours itself needs while all is away
  const path = new URL(event.request.url).pathname;
  if (PAGES.includes(path)) {
    event.respondWith(fetch(event.request).catch(() => caches.match(path)));
  }
});
