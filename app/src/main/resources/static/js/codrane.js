/* Live values, keyboard and the VIN field. Everything here only makes pages livelier: they work without it. */
'use strict';

/* Above this an interface may give up in the middle of a run. */
const HOT_CELSIUS = 75;
/* Values are told once a second; after so long without one they are old. */
const STALE_MILLIS = 5000;

document.addEventListener('alpine:init', () => {
  /* The frame of a job: listens to its events. */
  Alpine.data('job', () => ({
    volts: '', heat: '', hot: false, series: '', key: '', link: '', out: false, known: true,
    label: '', title: '', done: 0, total: 0, busy: false, hold: '', stale: false, since: '',
    runTitle: '', step: '', block: 0, blocks: 0, mb: '0', rate: '', left: 'No timer', x: 100, progress: 0, strip: '', stripLeft: '',
    init() {
      const data = this.$root.dataset;
      this.low = Number(data.low);
      this.high = Number(data.high);
      this.show(JSON.parse(data.vitals));
      this.busy = data.busy === 'true';
      this.label = data.label;
      this.done = Number(data.done);
      this.total = Number(data.total);
      this.title = data.task;
      this.running = data.running === 'true';
      this.strip = data.strip;
      if (this.running) this.left = 'measuring';
      this.measured = data.measured === 'true';
      this.told = this.seen = Date.now();
      setInterval(() => this.age(), 1000);
      this.listen(data.events);
    },
    listen(url) {
      const source = new EventSource(url);
      source.onmessage = (message) => this.receive(JSON.parse(message.data));
      source.onerror = () => { if (source.readyState === EventSource.CLOSED) setTimeout(() => this.listen(url), 3000); };
      window.addEventListener('pagehide', () => source.close());
      if (this.busy || this.running) this.watch();
    },
    /* Values that nobody confirms any more are shown as what they are: old. */
    age() {
      const oldest = this.measured ? Math.min(this.told, this.seen) : this.told;
      this.stale = Date.now() - oldest > STALE_MILLIS;
      if (this.stale) this.since = new Date(oldest).toLocaleTimeString('en-GB');
    },
    /* An event can be missed between the page and its stream: ask again when nothing is heard. */
    watch() {
      this.heard = Date.now();
      setInterval(() => { if (Date.now() - this.heard > 4000) freshen(); }, 1000);
    },
    receive(event) {
      this.told = Date.now();
      if (event.type === 'alive') return;
      if (event.type === 'vitals') { this.seen = this.told; this.show(event); }
      else this.heard = Date.now();
      if (event.type === 'task') this.task(event);
      if (event.type === 'run') this.run(event);
      if (event.type === 'hold') this.hold = event.hold;
    },
    show(vitals) {
      this.known = vitals.volts >= 0;
      this.volts = this.known ? vitals.volts.toFixed(2) + ' V' : 'unknown';
      this.out = !this.known || vitals.volts < this.low || vitals.volts > this.high;
      this.key = vitals.key === 'unknown' ? 'Key unknown' : vitals.key === 'engine running' ? 'Engine runs' : 'Key ' + vitals.key;
      this.hot = vitals.celsius >= HOT_CELSIUS;
      this.link = this.hot ? 'Too warm' : vitals.link ? 'Answers' : 'Not asked';
      this.heat = vitals.celsius > 0 ? ', ' + vitals.celsius + ' °C' : '';
      this.series = points(vitals.series, 92, 36, 12, 15);
      this.river = points(vitals.series, 890, 120, 11.5, 15);
    },
    task(event) {
      this.busy = !event.ended;
      this.title = event.title;
      this.label = event.label;
      this.done = event.done;
      this.total = event.total;
      if (event.ended) freshen();
    },
    run(event) {
      if (event.ended || !this.running) { freshen(); return; }
      this.runTitle = event.title;
      this.step = event.step;
      this.hold = event.hold;
      this.block = event.block;
      this.blocks = event.blocks;
      this.mb = (event.bytes / 1e6).toFixed(2) + ' MB';
      this.rate = event.rate > 0 ? (event.rate / 1000).toFixed(1) + ' kB/s' : 'measuring';
      this.left = event.secondsLeft > 0 ? time(event.secondsLeft) : 'soon';
      this.strip = event.blocks > 0 ? 'Block ' + event.block.toLocaleString('en') : event.title;
      this.stripLeft = event.blocks > 0 ? 'of ' + event.blocks.toLocaleString('en') : event.step;
      this.progress = event.blocks > 0 ? event.block / event.blocks : 0;
      this.x = place(event);
    },
    get river() { return this.riverPoints || ''; },
    set river(value) { this.riverPoints = value; },
    get percent() { return this.total > 0 ? Math.round(100 * this.done / this.total) : 0; },
    get ofTotal() {
      if (this.total > 100000) return (this.done / 1e6).toFixed(1) + ' of ' + (this.total / 1e6).toFixed(1) + ' MB';
      return this.total > 0 ? this.done + ' of ' + this.total : '';
    },
  }));

  /* A photo of a label, for the field beside it, or for the VIN of a new job. */
  Alpine.data('label', () => labelReader((self) => self.$refs.into));
  Alpine.data('labelvin', () => labelReader(() => document.getElementById('vin')));

  /* How long an authorisation still holds: it ends while a page stands open. */
  Alpine.data('gateway', () => ({
    soon: false,
    init() {
      this.until = Number(this.$root.dataset.until);
      if (this.until > 0) setInterval(() => this.tick(), 1000);
    },
    tick() {
      const left = Math.round((this.until - Date.now()) / 1000);
      this.soon = left < 300;
      this.$refs.title.textContent = left > 0 ? 'Gateway open' : 'Gateway: ended';
      this.$refs.left.textContent = left <= 0 ? 'authorise again' : left < 120 ? left + ' s left' : Math.floor(left / 60) + ' min left';
    },
  }));

  /* What only the browser knows of the computer. */
  Alpine.data('screen', () => ({
    words: '',
    init() {
      const enough = window.screen.width >= 1024 || window.screen.height >= 1024;
      this.words = 'Screen: ' + window.screen.width + ' by ' + window.screen.height + (enough ? ', enough.' : ', small: the run is better watched on a larger one.');
    },
  }));

  /* VIN typed with a live check. */
  Alpine.data('vinfield', () => ({
    reason: '', valid: false, vehicle: '', spelled: '', suggestions: [], asked: false,
    init() { if (this.$refs.vin.value) this.check(); },
    check() {
      const vin = this.$refs.vin.value;
      if (!vin) { this.asked = false; return; }
      fetch('/vin-check?vin=' + encodeURIComponent(vin)).then((r) => r.json()).then((v) => {
        if (vin !== this.$refs.vin.value) return;
        this.asked = true;
        this.valid = v.valid;
        this.reason = v.reason;
        this.vehicle = v.vehicle;
        this.spelled = v.spelled;
        this.suggestions = v.suggestions;
      });
    },
    take(event) { this.$refs.vin.value = event.target.textContent; this.check(); },
    get good() { return this.asked && this.valid; },
    get bad() { return this.asked && !this.valid; },
    get offers() { return this.bad && this.suggestions.length > 0; },
  }));
});

/* Reads a photo of a bar code or data matrix into a field. */
function labelReader(target) {
  return {
    sentence: '', texts: [],
    read(event) {
      const file = event.target.files[0];
      if (!file) return;
      const form = new FormData();
      form.append('photo', file);
      this.sentence = 'Reading…';
      this.texts = [];
      const token = document.querySelector('input[name=_csrf]').value;
      fetch('/label', { method: 'POST', body: form, headers: { 'X-CSRF-TOKEN': token } })
        .then((r) => r.ok ? r.json() : { texts: [], sentence: 'The picture was not taken: it may be too large.' })
        .then((seen) => {
          this.sentence = seen.sentence;
          if (seen.texts.length === 1) this.put(seen.texts[0]); else this.texts = seen.texts;
          event.target.value = '';
        });
    },
    take(event) { this.put(event.target.textContent); this.texts = []; },
    put(text) {
      const into = target(this);
      into.value = text;
      into.dispatchEvent(new Event('input', { bubbles: true }));
    },
  };
}

/* Loads the page anew, but never over an act or a link that is on its way: a reload would overtake it. */
const WAY_MILLIS = 10000;
let onTheWaySince = -WAY_MILLIS;
document.addEventListener('submit', (event) => { if (!event.defaultPrevented) onTheWaySince = event.timeStamp; });
document.addEventListener('click', (event) => { if (event.target.closest('a[href]')) onTheWaySince = event.timeStamp; });
function go(url, event) {
  onTheWaySince = event.timeStamp;
  location.href = url;
}
/* Nor into an error: until Codrane answers, what stands here stays. */
const ASK_AGAIN_MILLIS = 2000;
let freshening = false;
function freshen() {
  if (freshening) return;
  freshening = true;
  again(0);
}
function again(millis) {
  setTimeout(() => {
    const wait = onTheWaySince + WAY_MILLIS - performance.now();
    if (wait > 0) { again(wait); return; }
    fetch('/alive', { cache: 'no-store', redirect: 'manual' })
      .then((r) => { if (r.ok || r.type === 'opaqueredirect') location.reload(); else again(ASK_AGAIN_MILLIS); })
      .catch(() => again(ASK_AGAIN_MILLIS));
  }, millis);
}

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
  line.className = 'refused';
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

function points(series, width, height, low, high) {
  const n = Math.max(1, series.length - 1);
  return series.map((v, i) => {
    const y = height - (Math.min(high, Math.max(low, v)) - low) / (high - low) * height;
    return (i * width / n).toFixed(1) + ',' + y.toFixed(1);
  }).join(' ');
}

function time(seconds) {
  return seconds < 60 ? seconds + ' s' : Math.floor(seconds / 60) + ' min ' + seconds % 60 + ' s';
}

/* Where the run is in its picture: the box of the current task, and how far through it. */
function place(event) {
  const boxes = Array.from(document.querySelectorAll('rect[data-first]'));
  const mine = boxes.filter((b) => {
    const first = Number(b.dataset.first);
    return first >= 0 && event.index >= first && event.index < first + Number(b.dataset.tasks);
  });
  if (mine.length === 0) return 100;
  const transfer = mine.find((b) => b.dataset.transfer === 'true');
  const last = mine[mine.length - 1];
  let box = mine[0];
  if (transfer && event.blocks > 0) box = event.step === 'Send blocks' ? transfer : last;
  else if (event.step === 'Erase') box = mine[1] || box;
  const inside = box === transfer ? event.block / event.blocks : (event.index - Number(box.dataset.first)) / Number(box.dataset.tasks);
  return Number(box.getAttribute('x')) + inside * Number(box.getAttribute('width'));
}

/* Bare keys only move; an act that writes or keeps a hold point needs Ctrl+Enter. */
const STAGES = { '1': 'intake', '2': 'bench', '3': 'identify', '4': 'unlock', '5': 'baseline', '6': 'decide', '7': 'prepare', '8': 'run', '9': 'settle', '0': 'prove', '-': 'record' };
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
  const job = document.body.dataset.job;
  if (job && STAGES[event.key]) go('/jobs/' + job + '/' + STAGES[event.key], event);
  else if (event.key === '/') { event.preventDefault(); document.getElementById('find').focus(); }
  else if (event.key === 'n' && document.getElementById('new-job')) go('/jobs/new', event);
  else if (event.key === '?') { const keys = document.getElementById('keys'); keys.hidden = !keys.hidden; }
});
document.addEventListener('click', (event) => {
  if (event.target.closest('[data-print]')) window.print();
});
