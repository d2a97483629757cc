// Drives every key that is a command: pages say what each of theirs does, by the names that docs/keys.md lists. Which key it is can be
// changed on the help page, and those that write a sign can be switched off. A key in a field, or on a control that has a use for it, stays there.

const kept = 'fond-keys';
const named = /** @type {Record<string, string>} */ ({
  ' ': 'Space', ArrowLeft: '←', ArrowRight: '→', ArrowUp: '↑', ArrowDown: '↓', PageUp: 'Page Up', PageDown: 'Page Down',
});

/** Whether keys that write a sign are commands, and to which key a command has gone: 'Teach Space' to 'K'. @typedef {{ signs: boolean, to: Record<string, string> }} Choice */
/** @typedef {(event: KeyboardEvent) => void} Deed */
/** @type {{ page: string, deeds: Record<string, Deed>, within: Element | null }[]} */
const tables = [];

/** @returns {Choice} */
export function choice() {
  try {
    const was = JSON.parse(localStorage.getItem(kept) ?? '{}');
    return { signs: was.signs !== false, to: was.to && typeof was.to === 'object' ? was.to : {} };
  } catch {
    return { signs: true, to: {} };
  }
}

/** @param {Choice} to */
export function choose(to) {
  localStorage.setItem(kept, JSON.stringify(to));
  show();
}

/** A key as it is called in docs/keys.md; empty for one that is only held down. @param {KeyboardEvent} event */
export function nameOf(event) {
  if (/^(Shift|Control|Alt|AltGraph|Meta|Dead|Unidentified|Process)$/.test(event.key)) {
    return '';
  }
  // With Alt some keyboards write another letter: then it is the key itself that counts.
  const sign = event.altKey && event.key.length === 1 && !/[a-z0-9]/i.test(event.key) ? event.code.replace(/^(Key|Digit)/, '') : event.key;
  const key = named[sign] ?? (sign.length === 1 ? sign.toUpperCase() : sign);
  const held = [event.ctrlKey || event.metaKey ? 'Ctrl' : '', event.altKey ? 'Alt' : '', event.shiftKey && (event.key.length > 1 || event.ctrlKey || event.metaKey) ? 'Shift' : ''];
  return [...held, key].filter((k) => k !== '').join(' ');
}

/** The key that does what a page's key does at first. @param {string} page @param {string} key @param {Choice} [by] */
export const keyOf = (page, key, by = choice()) => by.to[`${page} ${key}`] ?? key;

/** Whether a key writes something when it is pressed in a field. @param {string} key */
export const isSign = (key) => [...key].length === 1 && !/[←→↑↓]/.test(key);

/**
 * What a page's keys do, by their names. Those `within` an element work while it has the focus, and come first.
 * @param {string} page @param {Record<string, Deed>} deeds @param {Element | null} [within]
 */
export function on(page, deeds, within = null) {
  tables.push({ page, deeds, within });
}

/** Whether the control that has the focus takes this key itself. @param {EventTarget | null} at @param {string} key */
function isTaken(at, key) {
  const control = at instanceof Element ? at.closest('input, textarea, select, button, a[href], summary') : null;
  if (!control || key.startsWith('Alt ') || key === 'Escape') {
    return false;
  }
  return control.matches('input, textarea, select') || key === 'Space' || key === 'Enter';
}

/** What a key does here, or nothing. @param {KeyboardEvent} event @returns {Deed | null} */
function deedOf(event) {
  const key = nameOf(event);
  if (key === '' || document.querySelector('dialog[open]')) {
    return null;
  }
  const by = choice();
  const taken = isTaken(event.target, key);
  const here = tables.filter((t) => t.within === event.target).concat(taken ? [] : tables.filter((t) => t.within === null));
  for (const { page, deeds, within } of here) {
    const own = within !== null || by.signs || !isSign(key) ? Object.keys(deeds).find((k) => keyOf(page, k, by) === key) : undefined;
    if (own !== undefined) {
      return deeds[own];
    }
  }
  if (taken || (!by.signs && isSign(key))) {
    return null;
  }
  const target = [...document.querySelectorAll('[data-key]:not([hidden])')].find((e) => keyOf(e.getAttribute('data-of') ?? 'Every page', e.getAttribute('data-key') ?? '', by) === key);
  return target instanceof HTMLElement ? () => use(target) : null;
}

/** Goes to a field, presses anything else. @param {HTMLElement} target */
function use(target) {
  if (target instanceof HTMLInputElement) {
    target.focus();
    target.select();
  } else if (target.hasAttribute('tabindex')) {
    target.focus();
  } else {
    target.click();
  }
}

/** Names the keys on the page as they are now. */
function show() {
  const by = choice();
  for (const sign of document.querySelectorAll('kbd[data-is]')) {
    const [page, key] = (sign.getAttribute('data-is') ?? '').split('|');
    const now = keyOf(page, key, by);
    sign.setAttribute('data-short', sign.getAttribute('data-short') ?? sign.textContent ?? '');
    sign.textContent = now === key ? sign.getAttribute('data-short') : now;
    /** @type {HTMLElement} */ (sign).hidden = !by.signs && isSign(now) && sign.closest('.ruler-keys') === null;
  }
  for (const control of document.querySelectorAll('[data-key]')) {
    const key = keyOf(control.getAttribute('data-of') ?? 'Every page', control.getAttribute('data-key') ?? '', by);
    control.setAttribute('title', !by.signs && isSign(key) ? '' : key);
  }
}

document.addEventListener('keydown', (event) => {
  const deed = deedOf(event);
  if (deed) {
    event.preventDefault();
    deed(event);
  }
});
document.body.addEventListener('htmx:afterSettle', show);
show();
