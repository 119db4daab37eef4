/* A line sheet is judged while it is typed: nothing is kept by it. */
export const typedlines = () => ({
  summary: '', troubles: [], whole: false, waiting: 0,
  typed(event) {
    const area = event.target;
    clearTimeout(this.waiting);
    this.waiting = setTimeout(() => this.judge(area), 300);
  },
  judge(area) {
    const text = area.value;
    if (!text.trim()) { this.summary = ''; this.troubles = []; return; }
    const form = new FormData();
    form.append('text', text);
    const token = area.form.querySelector('input[name=_csrf]').value;
    fetch(area.dataset.judge, { method: 'POST', body: form, headers: { 'X-CSRF-TOKEN': token } })
      .then((r) => (r.ok ? r.json() : { summary: 'Not judged: the page may be too old. Load it anew.', troubles: [], whole: false }))
      .then((seen) => {
        if (text !== area.value) return;
        this.summary = seen.summary; this.troubles = seen.troubles; this.whole = seen.whole;
      });
  },
});
