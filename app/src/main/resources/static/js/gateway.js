/* How long an authorisation still holds: it ends while a page stands open. */
export const gateway = () => ({
  soon: false,
  init() {
    this.until = Number(this.$root.dataset.until);
    if (this.until > 0) setInterval(() => this.tick(), 1000);
  },
  tick() {
    const left = Math.round((this.until - Date.now()) / 1000);
    this.soon = left < 300;
    this.$refs.title.textContent = left > 0 ? 'Gateway open' : 'Gateway: ended';
    this.$refs.left.textContent = left <= 0 ? 'authorise again' : left < 120 ? left + ' s left' : Math.floor(left / 60) + ' min left';
  },
});
