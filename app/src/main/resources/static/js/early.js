/* A press that comes before the page's own scripts waits for them: what was typed before the page was loaded anew stands
   there again first, so that nobody sends an empty field. It does not wait for scripts that never come. */
(() => {
  const LONGEST_MILLIS = 3000;
  let pressed = null;
  const hold = (event) => {
    if (event.target.method !== 'post') return;
    event.preventDefault();
    event.stopImmediatePropagation();
    pressed = { form: event.target, button: event.submitter };
  };
  const release = () => {
    document.removeEventListener('submit', hold, true);
    if (pressed && pressed.form.isConnected) pressed.form.requestSubmit(pressed.button);
    pressed = null;
  };
  document.addEventListener('submit', hold, true);
  document.addEventListener('DOMContentLoaded', () => setTimeout(release));
  setTimeout(release, LONGEST_MILLIS);
})();
