// Steps offered while one types, in the text and on the ruler alike: the list, the choice in it, and waiting for it when
// somebody is quicker than the answer.
import { ask } from './ask.js';
import { say } from './said.js';

const list = /** @type {HTMLElement} */ (document.getElementById('offers'));
const page = /** @type {HTMLElement} */ (document.getElementById('write'));

/** @type {AbortController | null} */
let asking = null;
/** @typedef {{ field: HTMLElement, below: () => DOMRect, beside?: boolean }} Place what is written in, where the list hangs, and whether beside the ruler */
/** @type {Place | null} */
let place = null;
/** @type {Promise<void>} */
let pending = Promise.resolve();

const all = () => /** @type {HTMLElement[]} */ ([...list.querySelectorAll('.offer')]);

export const isOpen = () => !list.hidden;
export const isAsked = () => asking !== null;
export const chosen = () => /** @type {HTMLElement | null} */ (list.querySelector('.offer.on'));

export function close() {
  asking?.abort();
  asking = null;
  list.hidden = true;
  list.replaceChildren();
  place?.field.removeAttribute('aria-activedescendant');
  tellWhetherOpen();
  list.dispatchEvent(new CustomEvent('offers'));
}

function tellWhetherOpen() {
  if (place?.field.getAttribute('role') === 'combobox') {
    place.field.setAttribute('aria-expanded', String(!list.hidden));
  }
}

/** Asks for offers and shows them. @param {Record<string, string | number>} fields @param {Place} where */
export function open(fields, where) {
  asking?.abort();
  const mine = new AbortController();
  asking = mine;
  place = where;
  pending = (async () => {
    const answer = await ask('Offers', fields, { signal: mine.signal });
    const html = answer ? await answer.text() : '';
    if (asking !== mine) {
      return;
    }
    asking = null;
    list.innerHTML = html;
    list.hidden = all().length === 0;
    tellWhetherOpen();
    choose(0);
    follow();
    const [first] = all();
    if (first) {
      say(`${all().length === 1 ? 'One step fits' : `${all().length} steps fit`}; Tab takes ${first.querySelector('.offer-name')?.textContent?.trim()}`);
    }
    list.dispatchEvent(new CustomEvent('offers'));
  })().catch(() => {});
}

/** How long whoever types on is held back at most, in milliseconds. */
const soon = 1200;

/** Waits until the last question is answered, or gives it up. */
export async function settled() {
  const late = new Promise((go) => setTimeout(go, soon, 'late'));
  for (let last = null; last !== pending;) {
    last = pending;
    if (await Promise.race([last, late]) === 'late') {
      close();
      return;
    }
  }
}

/** @param {number} index */
function choose(index) {
  const offers = all();
  offers.forEach((offer, i) => {
    offer.id = `offer-${i}`;
    offer.classList.toggle('on', i === index);
    offer.setAttribute('aria-selected', String(i === index));
  });
  const chosen = offers[index];
  if (chosen) {
    chosen.scrollIntoView({ block: 'nearest' });
    place?.field.setAttribute('aria-activedescendant', chosen.id);
  }
}

/** @param {1 | -1} by */
export function move(by) {
  const offers = all();
  const at = offers.indexOf(/** @type {HTMLElement} */ (chosen()));
  choose((at + by + offers.length) % offers.length);
}

/** Where the page is wide the list stands in the script's column, never over the ruler; it never covers the row being written. */
export function follow() {
  if (list.hidden || !place) {
    return;
  }
  const anchor = place.below();
  const frame = page.getBoundingClientRect();
  const bench = /** @type {HTMLElement} */ (page.querySelector('.bench')).getBoundingClientRect();
  const isWide = bench.left > frame.left + 100;
  list.style.width = isWide ? `${bench.left - frame.left - 8}px` : '';
  list.style.left = isWide ? '0' : `${Math.max(0, Math.min(anchor.left - frame.left, frame.width - list.offsetWidth - 8))}px`;
  if (isWide && place.beside) {
    const top = Math.min(anchor.top, innerHeight - list.offsetHeight - 8);
    list.style.top = `${Math.max(top, 8) - frame.top}px`;
    return;
  }
  const isAbove = anchor.bottom + list.offsetHeight + 8 > innerHeight && anchor.top > list.offsetHeight + 8;
  list.style.top = `${(isAbove ? anchor.top - list.offsetHeight - 4 : anchor.bottom + 4) - frame.top}px`;
}

// Its height is only known when its words and rulers are laid out; the row moves when what stands above it grows, or the page is scrolled.
const grown = new ResizeObserver(follow);
grown.observe(list);
grown.observe(page);
addEventListener('scroll', follow, { passive: true, capture: true });

/** Calls back when an offer is clicked. @param {(offer: HTMLElement) => void} take */
export function whenClicked(take) {
  list.addEventListener('mousedown', (event) => event.preventDefault());
  list.addEventListener('click', (event) => {
    const offer = event.target instanceof Element ? event.target.closest('.offer') : null;
    if (offer instanceof HTMLElement) {
      take(offer);
    }
  });
}
