/* What was typed stands there again: in a form that was refused, and on a page that was loaded anew by itself. */
const TYPED = 'codrane-typed';
const NEVER = ['hidden', 'password', 'file', 'submit', 'button', 'checkbox', 'radio'];
function standing(field) {
  if (field.tagName !== 'SELECT') return field.defaultValue;
  const options = Array.from(field.options);
  return (options.find((o) => o.defaultSelected) || options[0] || { value: '' }).value;
}
export function changed(field) {
  return field.value !== standing(field);
}
function texts(form) {
  return Array.from(form.elements).filter((e) => e.name && 'value' in e && !NEVER.includes(e.type) && e.tagName !== 'BUTTON');
}
function alike(action) {
  return Array.from(document.querySelectorAll('#main form')).filter((f) => f.getAttribute('action') === action);
}
function kept(form) {
  const action = form.getAttribute('action');
  const fields = texts(form).map((e, i) => ({ i: i, name: e.name, value: e.value, stood: standing(e), typed: changed(e) }));
  return { action: action, nth: alike(action).indexOf(form), fields: fields.filter((f) => f.typed) };
}
/* For the answer to this form, if that is a refusal. */
export function remember(form) {
  sessionStorage.setItem(TYPED, JSON.stringify({ refused: true, forms: [kept(form)] }));
}
/* For the same page, which is loaded anew. */
export function carry() {
  const at = document.activeElement;
  const forms = Array.from(document.querySelectorAll('#main form'));
  const cursor = at.form && at.closest('#main') ? { ...kept(at.form), i: texts(at.form).indexOf(at) } : null;
  sessionStorage.setItem(TYPED, JSON.stringify({ page: location.pathname, forms: forms.map(kept), cursor: cursor }));
}
function field(form, i) {
  const found = alike(form.action)[form.nth];
  return found ? texts(found)[i] : undefined;
}
/* Only where nothing else stands by now. */
function put(form, refused) {
  form.fields.forEach((was) => {
    const e = field(form, was.i);
    if (!e || e.name !== was.name || changed(e) || (!refused && standing(e) !== was.stood)) return;
    e.value = was.value;
    e.dispatchEvent(new Event('input', { bubbles: true }));
  });
}
document.addEventListener('DOMContentLoaded', () => {
  const typed = JSON.parse(sessionStorage.getItem(TYPED) || 'null');
  sessionStorage.removeItem(TYPED);
  if (!typed) return;
  if (typed.refused ? !document.querySelector('#main .refused[role=alert]') : typed.page !== location.pathname) return;
  typed.forms.forEach((form) => put(form, typed.refused));
  const cursor = typed.cursor && field(typed.cursor, typed.cursor.i);
  if (cursor) cursor.focus();
});
