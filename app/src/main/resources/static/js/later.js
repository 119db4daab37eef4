import { freshen } from './freshen.js';

/* Something is asked for in the background: the page is loaded anew when it may be here, and says that it was. Not over
   what somebody has begun to fill in. */
const SOON_MILLIS = 1200;
let touched = false;
document.addEventListener('input', () => { touched = true; });

export const later = () => ({
  init() {
    const url = new URL(location.href);
    url.searchParams.set('again', 'yes');
    setTimeout(() => { if (!touched) freshen(url.href, () => touched); }, SOON_MILLIS);
  },
});
