import { changed, remember } from './kept.js';

/* What was typed beside a button is not lost by it. Notes are kept first; what acts by itself is asked about. */
const leaving = new WeakSet();
function begun(form) {
  return Array.from(form.elements).some((e) => {
    if (!e.name || e.type === 'hidden' || e.type === 'file') return false;
    if (e.type === 'checkbox' || e.type === 'radio') return e.checked !== e.defaultChecked;
    return ['INPUT', 'SELECT', 'TEXTAREA'].includes(e.tagName) && changed(e);
  });
}
function beside(pressed) {
  return Array.from(document.querySelectorAll('#main form')).filter((f) => {
    return f !== pressed && f.method === 'post' && f.id !== 'act' && begun(f);
  });
}
function say(pressed, sentence) {
  const old = document.getElementById('typed-beside');
  if (old) old.remove();
  const line = document.createElement('p');
  line.id = 'typed-beside';
  line.className = 'refused alert alert-danger';
  line.setAttribute('role', 'alert');
  line.textContent = sentence;
  pressed.before(line);
}
/* Resolves to a sentence when it was refused, to an empty one when it was kept. */
function keep(form) {
  return fetch(form.action, { method: 'POST', body: new URLSearchParams(new FormData(form)) })
    .then((r) => r.text().then((text) => ({ ok: r.ok, page: new DOMParser().parseFromString(text, 'text/html') })))
    .then((answer) => {
      const refused = answer.page.querySelector('#main .refused[role=alert]');
      if (!answer.ok || refused) return refused ? refused.textContent : 'What was typed could not be kept.';
      const seen = answer.page.querySelector('input[name=seen]');
      if (seen) document.querySelectorAll('input[name=seen]').forEach((i) => { i.value = seen.value; });
      return '';
    })
    .catch(() => 'Codrane does not answer: nothing was done.');
}
function keepAll(forms) {
  return forms.reduce((before, form) => before.then((said) => said || keep(form)), Promise.resolve(''));
}
document.addEventListener('submit', (event) => {
  const pressed = event.target;
  if (event.defaultPrevented || pressed.method !== 'post' || !pressed.closest('#main')) return;
  if (leaving.has(pressed)) { remember(pressed); return; }
  const typed = beside(pressed);
  if (typed.length === 0) { remember(pressed); return; }
  event.preventDefault();
  const button = event.submitter;
  const asks = typed.filter((f) => !f.hasAttribute('data-carry'));
  leaving.add(pressed);
  if (asks.length > 0) {
    say(pressed, 'You typed something that was not sent: press its own button first, or this one again to leave it.');
    asks[0].scrollIntoView({ block: 'center' });
    return;
  }
  keepAll(typed).then((said) => {
    if (said) { leaving.delete(pressed); say(pressed, said); } else pressed.requestSubmit(button);
  });
}, true);
