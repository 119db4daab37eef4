/* What makes pages livelier: they work without it. One module a component. */
import { closer } from './closer.js';
import { gateway } from './gateway.js';
import { job } from './job.js';
import './keys.js';
import { label, labelvin } from './label.js';
import { later } from './later.js';
import { screen } from './screen.js';
import { seat } from './seat.js';
import { all, sift } from './sift.js';
import './typed.js';
import { typedlines } from './typedlines.js';
import { vinfield } from './vinfield.js';

document.addEventListener('alpine:init', () => {
  Object.entries({ all, closer, gateway, job, label, labelvin, later, screen, seat, sift, typedlines, vinfield })
    .forEach(([name, component]) => Alpine.data(name, component));
});
document.addEventListener('click', (event) => {
  if (event.target.closest('[data-print]')) window.print();
});
