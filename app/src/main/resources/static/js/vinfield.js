/* VIN typed with a live check. */
export const vinfield = () => ({
  reason: '', valid: false, vehicle: '', spelled: '', suggestions: [], jobs: [], models: null, asked: false,
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
      this.jobs = v.jobs.map((j) => ({ href: '/jobs/' + j.number + '/now', words: 'Job ' + j.number + ', ' + j.title }));
      this.modules(v.model);
    });
  },
  /* Only modules of this model can be chosen; what was chosen of another is dropped. */
  modules(model) {
    const select = document.getElementById('replaced');
    this.models = this.models || Array.from(select.querySelectorAll('optgroup'));
    const chosen = select.value;
    select.querySelectorAll('optgroup').forEach((group) => group.remove());
    select.append(...this.models.filter((group) => model === '' || group.label === model));
    select.value = Array.from(select.options).some((option) => option.value === chosen) ? chosen : '';
  },
  take(event) { this.$refs.vin.value = event.target.textContent; this.check(); },
  get good() { return this.asked && this.valid; },
  get bad() { return this.asked && !this.valid; },
  get open() { return this.good && this.jobs.length > 0; },
  get offers() { return this.asked && this.suggestions.length > 0; },
});
