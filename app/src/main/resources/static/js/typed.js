/* What was typed beside a button is not lost by it. Notes are kept first; what acts by itself is asked about. */
const leaving = new WeakSet();
function changed(form) {
  return Array.from(form.elements).some((e) => {
    if (!e.name || e.type === 'hidden' || e.type === 'file') return false;
    if (e.type === 'checkbox' || e.type === 'radio') return e.checked !== e.defaultChecked;
    if (e.tagName === 'SELECT') {
      const first = Array.from(e.options).findIndex((o) => o.defaultSelected);
      return e.selectedIndex !== Math.max(0, first);
    }
    return (e.tagName === 'INPUT' || e.tagName === 'TEXTAREA') && e.value !== e.defaultValue;
  });
}
function beside(pressed) {
  return Array.from(document.querySelectorAll('#main form')).filter((f) => {
    return f !== pressed && f.method === 'post' && f.id !== 'act' && changed(f);
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

/* What was typed into a form that was refused stands there again. */
const TYPED = 'codrane-typed';
function remember(form) {
  const fields = Array.from(form.elements)
    .filter((e) => e.name && !['hidden', 'password', 'file', 'submit', 'button', 'checkbox', 'radio'].includes(e.type))
    .map((e) => [e.name, e.value]);
  sessionStorage.setItem(TYPED, JSON.stringify({ action: form.getAttribute('action'), fields: fields }));
}
document.addEventListener('DOMContentLoaded', () => {
  const typed = JSON.parse(sessionStorage.getItem(TYPED) || 'null');
  sessionStorage.removeItem(TYPED);
  if (!typed || !document.querySelector('#main .refused[role=alert]')) return;
  const form = Array.from(document.querySelectorAll('#main form')).find((f) => f.getAttribute('action') === typed.action);
  if (!form) return;
  const seen = {};
  typed.fields.forEach(([name, value]) => {
    seen[name] = (seen[name] || 0) + 1;
    const fields = Array.from(form.elements).filter((e) => e.name === name && e.type !== 'hidden');
    const field = fields[seen[name] - 1];
    if (field && field.value === field.defaultValue) field.value = value;
  });
});
