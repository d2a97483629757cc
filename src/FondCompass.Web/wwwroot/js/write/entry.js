// The field in which a step is written on the ruler, with the steps that fit there below it.
import * as offers from './offers.js';

const entry = /** @type {HTMLElement} */ (document.getElementById('entry'));
const field = /** @type {HTMLInputElement} */ (document.getElementById('entry-words'));
const page = /** @type {HTMLElement} */ (document.getElementById('write'));

/**
 * @typedef {{ rect: () => DOMRect, words: string, fields: Record<string, string | number>,
 *   take: (words: string, counts: number) => void, leave: () => void }} Order
 */
/** @type {Order | null} */
let order = null;

/** @param {Order} to */
export function openEntry(to) {
  order = to;
  const at = to.rect();
  const frame = page.getBoundingClientRect();
  entry.style.left = `${Math.max(0, Math.min(at.left - frame.left, frame.width - 260))}px`;
  entry.style.top = `${at.top - frame.top}px`;
  entry.hidden = false;
  field.value = to.words;
  field.focus();
  if (to.words.length > 1) {
    field.select();
  }
  look();
}

function look() {
  if (order && field.value.trim()) {
    offers.open({ ...order.fields, typed: field.value }, { field, below: () => field.getBoundingClientRect(), beside: true });
  } else {
    offers.close();
  }
}

function close() {
  const was = order;
  order = null;
  offers.close();
  entry.hidden = true;
  return was;
}

/** @param {HTMLElement | null} offer */
function take(offer) {
  const words = offer?.dataset.wording ?? field.value.trim();
  const counts = Number(offer?.dataset.counts ?? 1);
  const was = close();
  was?.leave();
  if (words) {
    was?.take(words, counts);
  }
}

field.addEventListener('input', look);
field.addEventListener('keydown', async (event) => {
  if (event.key === 'Enter' || event.key === 'Tab') {
    event.preventDefault();
    await offers.settled();
    take(offers.chosen());
  } else if (event.key === 'Escape') {
    event.preventDefault();
    close()?.leave();
  } else if (offers.isOpen() && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
    event.preventDefault();
    offers.move(event.key === 'ArrowDown' ? 1 : -1);
  }
});
field.addEventListener('blur', () => setTimeout(() => order && document.activeElement !== field && close(), 0));
offers.whenClicked((offer) => order && take(offer));
