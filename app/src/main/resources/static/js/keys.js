import { go } from './freshen.js';

/* Bare keys only move; an act that writes or keeps a hold point needs Ctrl+Enter. */
let lastKey = 0;
document.addEventListener('keydown', (event) => {
  if (['Shift', 'Control', 'Alt', 'Meta', 'AltGraph'].includes(event.key)) return; /* a key for another one */
  const burst = event.timeStamp - lastKey < 35; /* faster than a hand: a barcode scanner */
  lastKey = event.timeStamp;
  const typing = /INPUT|TEXTAREA|SELECT/.test(event.target.tagName);
  if (event.ctrlKey && event.key === 'Enter') {
    const own = typing ? event.target.form : null; /* in a field, that field's form and nothing else */
    if (own) { event.preventDefault(); if (own.method === 'post') own.requestSubmit(); return; }
    const strong = document.querySelector('form[data-strong] button');
    if (strong) { event.preventDefault(); strong.click(); }
    return;
  }
  if (typing || event.ctrlKey || event.metaKey || event.altKey || burst) return;
  const stage = document.querySelector('.rail a[data-key="' + CSS.escape(event.key) + '"]');
  if (stage) go(stage.href, event);
  else if (event.key === '/') { event.preventDefault(); document.getElementById('find').focus(); }
  else if (event.key === 'n' && document.getElementById('new-job')) go(document.getElementById('new-job').href, event);
  else if (event.key === '?') { const keys = document.getElementById('keys'); keys.hidden = !keys.hidden; }
});
