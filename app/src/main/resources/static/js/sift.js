/* Rows of a list by a word that is typed; and codes of an order that take each other's place. */
export const sift = () => ({
  ready: false,
  init() { this.ready = true; },
  sift(event) {
    const word = event.target.value.trim().toLowerCase();
    event.target.closest('details').querySelectorAll('[data-sift]').forEach((row) => {
      row.hidden = word !== '' && !row.textContent.toLowerCase().includes(word);
    });
  },
  swap(event) {
    const shelf = event.currentTarget;
    const now = event.target;
    if (shelf.dataset.one !== 'true' || now.name !== 'in') return;
    shelf.querySelectorAll('input').forEach((box) => {
      if (box !== now) box.checked = box.name === 'out' && now.checked;
    });
  },
});

/* Ticks every box of a list, for somebody who asked for all of it. */
export const all = () => ({
  ready: false,
  init() { this.ready = true; },
  tick(event) { event.target.closest('form').querySelectorAll('input[type=checkbox]').forEach((box) => { box.checked = true; }); },
});
