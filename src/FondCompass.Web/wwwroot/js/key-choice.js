// Makes each key that is listed in the help a button, which waits for another key to take its place; the choice is kept in this browser.
import { choice, choose, isSign, keyOf, nameOf } from './keys.js';

const section = /** @type {HTMLElement} */ (document.getElementById('keys'));
const signs = /** @type {HTMLInputElement} */ (document.getElementById('key-signs'));
const reset = /** @type {HTMLButtonElement} */ (document.getElementById('key-reset'));
const said = /** @type {HTMLElement} */ (document.getElementById('key-said'));

/** @typedef {{ button: HTMLButtonElement, page: string, key: string, does: string }} Listed */

/** Keys that every field and every list has are not for changing. @param {string} key */
const isFixed = (key) => /^(Tab|Enter|Escape|F2|Delete|Backspace)$|^Ctrl /.test(key);

/** @type {Listed[]} */
const all = [];
/** @type {Listed | null} */
let waiting = null;

for (const heading of section.querySelectorAll('h3')) {
  const page = heading.textContent?.trim() ?? '';
  const table = heading.nextElementSibling;
  for (const row of table instanceof HTMLTableElement ? table.tBodies[0].rows : []) {
    const [keys, does] = row.cells;
    // A row that stands for several keys is not for changing either.
    for (const code of keys.textContent?.includes('…') ? [] : keys.querySelectorAll('code')) {
      const key = code.textContent?.trim() ?? '';
      if (!isFixed(key)) {
        const button = document.createElement('button');
        button.type = 'button';
        button.className = 'key';
        code.replaceWith(button);
        all.push({ button, page, key, does: does.textContent?.trim() ?? '' });
      }
    }
  }
}

/** Names every key as it is now. */
function show() {
  const by = choice();
  signs.checked = by.signs;
  reset.disabled = Object.keys(by.to).length === 0;
  for (const one of all) {
    const now = keyOf(one.page, one.key, by);
    one.button.textContent = one === waiting ? 'press a key' : now;
    one.button.setAttribute('aria-label', `${now}: ${one.page}, ${one.does}. Change it`);
    one.button.classList.toggle('changed', now !== one.key);
    one.button.classList.toggle('off', !by.signs && isSign(now));
  }
}

/** Whether two commands can be reached from one page. @param {Listed} a @param {Listed} b */
const meet = (a, b) => a.page === b.page || a.page === 'Every page' || b.page === 'Every page';

/** @param {KeyboardEvent} event */
function take(event) {
  const one = waiting;
  const key = nameOf(event);
  if (!one || key === '' || key === 'Tab') {
    return;
  }
  event.preventDefault();
  event.stopImmediatePropagation();
  waiting = null;
  const by = choice();
  const other = all.find((o) => o !== one && meet(o, one) && keyOf(o.page, o.key, by) === key);
  if (key === 'Escape') {
    said.textContent = 'Left as it was.';
  } else if (isFixed(key)) {
    said.textContent = `${key} has its own work everywhere and cannot be given away. Choose another.`;
  } else if (other) {
    said.textContent = `${key} already does “${other.does}” (${other.page}). Choose another, or change that one first.`;
  } else {
    const { [`${one.page} ${one.key}`]: _, ...rest } = by.to;
    choose({ ...by, to: key === one.key ? rest : { ...rest, [`${one.page} ${one.key}`]: key } });
    said.textContent = `${key} now does “${one.does}”.`;
  }
  show();
}

section.addEventListener('click', (event) => {
  const one = all.find((o) => o.button === event.target);
  if (one) {
    waiting = waiting === one ? null : one;
    said.textContent = waiting ? `Press the key that shall do “${one.does}”; Escape leaves it as it is.` : '';
    show();
  }
});
addEventListener('keydown', take, { capture: true });
section.addEventListener('focusout', () => {
  waiting = null;
  show();
});
signs.addEventListener('change', () => {
  choose({ ...choice(), signs: signs.checked });
  said.textContent = signs.checked ? 'Letters, digits and signs are commands again.' : 'Letters, digits and signs are no commands now; all other keys work as before.';
  show();
});
reset.addEventListener('click', () => {
  choose({ ...choice(), to: {} });
  said.textContent = 'Every key does again what it did at first.';
  show();
});
show();
