/* VIN typed with a live check. */
export const vinfield = () => ({
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
});
