/* A photo to type from: as wide as its place, or as large as it was kept, to be moved within it. */
export const closer = () => ({
  near: false,
  get fit() { return this.near ? '' : 'w-100'; },
  get label() { return this.near ? 'The whole of it' : 'Closer'; },
  turn() { this.near = !this.near; },
});
