import { renewed } from './freshen.js';
import { time } from './picture.js';

/* Values are told once a second; after so long without one they are old. */
const STALE_MILLIS = 5000;
const COUNTS = / \d+ s left/;
const BEEP_HERTZ = 880;
const BEEP_SECONDS = 0.25;

/* The phone on the seat: one prompt, the voltage, and, when wanted, both aloud. It presses nothing. */
export const seat = () => ({
  volts: '–', out: false, hold: '', step: '', left: '', stale: false, aloud: false,
  init() {
    const data = this.$root.dataset;
    this.low = Number(data.low);
    this.high = Number(data.high);
    this.told = Date.now();
    this.listen(data.events);
    setInterval(() => this.age(), 1000);
  },
  listen(url) {
    const source = new EventSource(url);
    source.onmessage = (message) => this.receive(JSON.parse(message.data));
    source.onerror = () => { if (source.readyState === EventSource.CLOSED) setTimeout(() => this.listen(url), 3000); };
    window.addEventListener('pagehide', () => source.close());
  },
  receive(event) {
    this.told = Date.now();
    if (event.type === 'vitals') this.vitals(event);
    if (event.type === 'hold') this.held(event.hold);
    if (event.type === 'run') this.run(event);
    if (event.type === 'point') renewed();
    if (event.type === 'task' && event.ended) this.renew();
  },
  vitals(event) {
    const known = event.volts >= 0;
    this.volts = known ? event.volts.toFixed(2) + ' V' : 'unknown';
    this.out = !known || event.volts < this.low || event.volts > this.high;
  },
  run(event) {
    if (event.ended || !this.step) this.renew();
    this.step = event.ended ? '' : event.title + ', ' + event.step;
    this.left = event.secondsLeft > 0 ? time(event.secondsLeft) : '';
    this.held(event.ended ? '' : event.hold);
  },
  /* A countdown is said at its beginning, not every second. */
  held(hold) {
    if (hold && hold.replace(COUNTS, '') !== this.hold.replace(COUNTS, '')) this.say(hold);
    this.hold = hold;
  },
  /* Not loaded anew: the phone would fall silent until somebody touched it. */
  async renew() {
    await renewed();
    this.prompt();
  },
  prompt() { this.say(document.querySelector('[data-renew="said"] :is(h1, h2)').textContent); },
  age() {
    this.stale = Date.now() - this.told > STALE_MILLIS;
    if (this.aloud && (this.out || this.stale)) this.beep();
  },
  toggle() {
    this.aloud = !this.aloud;
    if (!this.aloud) { speechSynthesis.cancel(); return; }
    this.sound = this.sound || new AudioContext();
    this.prompt();
  },
  say(words) {
    if (!this.aloud) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(words));
  },
  beep() {
    const tone = this.sound.createOscillator();
    tone.frequency.value = BEEP_HERTZ;
    tone.connect(this.sound.destination);
    tone.start();
    tone.stop(this.sound.currentTime + BEEP_SECONDS);
  },
  get button() { return this.aloud ? 'Be silent' : 'Say it aloud, and warn'; },
});
