/* Live values, keyboard and the VIN field. Everything here only makes pages livelier: they work without it. */
'use strict';

/* Above this an interface may give up in the middle of a run. */
const HOT_CELSIUS = 75;

document.addEventListener('alpine:init', () => {
  /* The frame of a job: listens to its events. */
  Alpine.data('job', () => ({
    volts: '', heat: '', hot: false, series: '', key: '', link: '', out: false, known: true,
    label: '', title: '', done: 0, total: 0, busy: false, hold: '',
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
      this.listen(data.events);
    },
    listen(url) {
      const source = new EventSource(url);
      source.onmessage = (message) => this.receive(JSON.parse(message.data));
      window.addEventListener('pagehide', () => source.close());
      if (this.busy || this.running) this.watch();
    },
    /* An event can be missed between the page and its stream: ask again when nothing is heard. */
    watch() {
      this.heard = Date.now();
      setInterval(() => { if (Date.now() - this.heard > 4000) freshen(); }, 1000);
    },
    receive(event) {
      if (event.type === 'vitals') this.show(event);
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
document.addEventListener('submit', (event) => { onTheWaySince = event.timeStamp; });
document.addEventListener('click', (event) => { if (event.target.closest('a[href]')) onTheWaySince = event.timeStamp; });
function go(url, event) {
  onTheWaySince = event.timeStamp;
  location.href = url;
}
function freshen() {
  const wait = onTheWaySince + WAY_MILLIS - performance.now();
  if (wait > 0) setTimeout(freshen, wait); else location.reload();
}

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
  const burst = event.timeStamp - lastKey < 35; /* faster than a hand: a barcode scanner */
  lastKey = event.timeStamp;
  const typing = /INPUT|TEXTAREA|SELECT/.test(event.target.tagName);
  if (event.ctrlKey && event.key === 'Enter') {
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
