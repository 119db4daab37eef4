import { freshen, renewed } from './freshen.js';
import { place, points, time } from './picture.js';

/* Above this an interface may give up in the middle of a run. */
const HOT_CELSIUS = 75;
/* Values are told once a second; after so long without one they are old. */
const STALE_MILLIS = 5000;

/* What a second person points at stands out wherever it is on the page. */
function pointed() {
  const at = document.querySelector('[data-pointed]');
  document.querySelectorAll('[data-spot]').forEach((spot) => {
    spot.classList.toggle('pointed', Boolean(at) && spot.dataset.spot === at.dataset.pointed);
  });
}

/* The frame of a job: listens to its events. */
export const job = () => ({
  volts: '', heat: '', hot: false, series: '', key: '', link: '', out: false, known: true,
  label: '', title: '', done: 0, total: 0, busy: false, hold: '', stale: false, since: '',
  runTitle: '', step: '', block: 0, blocks: 0, mb: '0', rate: '', left: 'No timer',
  leftOf: 'nothing is running', x: 100, progress: 0, strip: '', stripLeft: '',
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
    this.place = data.place;
    this.strip = data.strip;
    if (this.running) this.timer('measuring', this.place.endsWith('true'));
    this.measured = data.measured === 'true';
    this.told = this.seen = Date.now();
    setInterval(() => this.age(), 1000);
    this.listen(data.events);
    pointed();
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
    if (event.type === 'point') renewed().then(pointed);
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
    this.stands(event.index + ' ' + event.committed);
    this.runTitle = event.title;
    this.step = event.step;
    this.hold = event.hold;
    this.block = event.block;
    this.blocks = event.blocks;
    this.mb = (event.bytes / 1e6).toFixed(2) + ' MB';
    this.rate = event.rate > 0 ? (event.rate / 1000).toFixed(1) + ' kB/s' : 'measuring';
    this.timer(event.secondsLeft > 0 ? time(event.secondsLeft) : 'soon', event.blocks > 0);
    this.strip = event.blocks > 0 ? 'Block ' + event.block.toLocaleString('en') : event.title;
    this.stripLeft = event.blocks > 0 ? 'of ' + event.blocks.toLocaleString('en') : event.step;
    this.progress = event.blocks > 0 ? event.block / event.blocks : 0;
    this.x = place(event);
  },
  /* Only blocks can be counted down. */
  timer(left, blocks) {
    this.left = blocks ? left : 'No timer';
    this.leftOf = blocks ? 'to the last block' : 'no blocks in this step';
  },
  /* What may be pressed and what would happen hang on where the run is. */
  stands(place) {
    if (this.place !== place) renewed();
    this.place = place;
  },
  get river() { return this.riverPoints || ''; },
  set river(value) { this.riverPoints = value; },
  get percent() { return this.total > 0 ? Math.round(100 * this.done / this.total) : 0; },
  get ofTotal() {
    if (this.total > 100000) return (this.done / 1e6).toFixed(1) + ' of ' + (this.total / 1e6).toFixed(1) + ' MB';
    return this.total > 0 ? this.done + ' of ' + this.total : '';
  },
});
