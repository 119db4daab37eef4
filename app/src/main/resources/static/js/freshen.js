import { carry } from './kept.js';

/* Loads the page anew, but never over an act or a link that is on its way: a reload would overtake it. What was typed
   stands there again. */
const WAY_MILLIS = 30000; // a link may be slow: the page that it leads to is fresh itself
const LEADS_AWAY = 'a[href]:not([href^="#"]):not([download])';
let onTheWaySince = -WAY_MILLIS;
document.addEventListener('submit', (event) => { if (!event.defaultPrevented) onTheWaySince = event.timeStamp; });
document.addEventListener('click', (event) => { if (event.target.closest(LEADS_AWAY)) onTheWaySince = event.timeStamp; });
/* An address that was typed, too. */
let renewing = false;
window.addEventListener('beforeunload', (event) => { if (!renewing) onTheWaySince = event.timeStamp; });
export function go(url, event) {
  onTheWaySince = event.timeStamp;
  location.href = url;
}
/* Nor over a file that was chosen and is not sent yet: no page can choose it again. */
const CHOSEN_MILLIS = 120000;
let chosenSince = 0; /* perhaps before this script was here */
document.addEventListener('change', (event) => { if (event.target.type === 'file') chosenSince = event.timeStamp; });
function chosen() {
  return Array.from(document.querySelectorAll('#main input[type=file]')).some((input) => input.files.length > 0);
}
/* Nor into an error: until Codrane answers, what stands here stays. */
const ASK_AGAIN_MILLIS = 2000;
let freshening = false;
let freshened = location.href;
/* To: another address of the same page. Unless: asked again at the last moment. */
let unless = () => false;
export function freshen(to, not) {
  if (freshening) {
    if (!not) unless = () => false; /* this one must be */
    return;
  }
  freshening = true;
  freshened = to || location.href;
  unless = not || (() => false);
  again(0);
}
function renew() {
  renewing = true;
  window.addEventListener('pagehide', () => { if (left() <= 0) carry(); });
  if (freshened === location.href) location.reload(); else location.replace(freshened);
}
/* Only the parts that say so, where nobody is at work in them: the rest of the page, and what was typed, stays. */
export async function renewed() {
  const answer = await fetch(location.href, { cache: 'no-store' });
  if (!answer.ok) return;
  const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
  document.querySelectorAll('[data-renew]').forEach((part) => {
    const fresh = page.querySelector(`[data-renew="${part.dataset.renew}"]`);
    if (fresh && !part.contains(document.activeElement)) part.replaceChildren(...fresh.childNodes);
  });
}
function left() {
  const now = performance.now();
  return Math.max(onTheWaySince + WAY_MILLIS - now, chosen() ? chosenSince + CHOSEN_MILLIS - now : 0);
}
function again(millis) {
  setTimeout(() => {
    if (left() > 0) { again(Math.min(left(), ASK_AGAIN_MILLIS)); return; }
    fetch('/alive', { cache: 'no-store', redirect: 'manual' })
      .then((r) => {
        if (left() > 0) again(Math.min(left(), ASK_AGAIN_MILLIS)); /* pressed while it was asked */
        else if (unless()) freshening = false;
        else if (r.ok || r.type === 'opaqueredirect') renew();
        else again(ASK_AGAIN_MILLIS);
      })
      .catch(() => again(ASK_AGAIN_MILLIS));
  }, millis);
}
