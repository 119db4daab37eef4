/* Reads a photo of a bar code or data matrix into a field. */
export function labelReader(target) {
  return {
    sentence: '', texts: [],
    read(event) {
      const file = event.target.files[0];
      if (!file) return;
      const form = new FormData();
      form.append('photo', file);
      this.sentence = 'Reading…';
      this.texts = [];
      const token = document.querySelector('input[name=_csrf]').value;
      fetch('/label', { method: 'POST', body: form, headers: { 'X-CSRF-TOKEN': token } })
        .then((r) => r.ok ? r.json() : { texts: [], sentence: 'The picture was not taken: it may be too large.' })
        .then((seen) => {
          this.sentence = seen.sentence;
          if (seen.texts.length === 1) this.put(seen.texts[0]); else this.texts = seen.texts;
          event.target.value = '';
        });
    },
    take(event) { this.put(event.target.textContent); this.texts = []; },
    put(text) {
      const into = target(this);
      into.value = text;
      into.dispatchEvent(new Event('input', { bubbles: true }));
    },
  };
}

/* For the field beside it, or for the VIN of a new job. */
export const label = () => labelReader((self) => self.$refs.into);
export const labelvin = () => labelReader(() => document.getElementById('vin'));
