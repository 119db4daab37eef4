/* What only the browser knows of the computer. */
export const screen = () => ({
  words: '',
  init() {
    const enough = window.screen.width >= 1024 || window.screen.height >= 1024;
    this.words = 'Screen: ' + window.screen.width + ' by ' + window.screen.height + 
      (enough ? ', enough.' : ', small: the run is better watched on a larger one.');
  },
});
