import { freshen } from './freshen.js';

/* Something is asked for in the background: the page is loaded anew when it may be here, and says that it was. */
const SOON_MILLIS = 1200;

export const later = () => ({
  init() {
    const url = new URL(location.href);
    url.searchParams.set('again', 'yes');
    setTimeout(() => freshen(url.href), SOON_MILLIS);
  },
});
