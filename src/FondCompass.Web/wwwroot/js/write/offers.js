// Steps offered while one types, in the text and on the ruler alike: the list, the choice in it, and waiting for it when
// somebody is quicker than the answer.
import { ask } from './ask.js';

const list = /** @type {HTMLElement} */ (document.getElementById('offers'));
const page = /** @type {HTMLElement} */ (document.getElementById('write'));

/** @type {AbortController | null} */
let asking = null;
let anchorNow = () => new DOMRect();
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
  list.dispatchEvent(new CustomEvent('offers'));
}

/** Asks for offers and shows them below a rectangle. @param {Record<string, string | number>} fields @param {() => DOMRect} below */
export function open(fields, below) {
  asking?.abort();
  const mine = new AbortController();
  asking = mine;
  anchorNow = below;
  pending = (async () => {
    const answer = await ask('Offers', fields, { signal: mine.signal });
    const html = answer ? await answer.text() : '';
    if (asking !== mine) {
      return;
    }
    asking = null;
    list.innerHTML = html;
    list.hidden = all().length === 0;
    choose(0);
    place(below());
    list.dispatchEvent(new CustomEvent('offers'));
  })().catch(() => {});
}

/** Waits until the last question is answered. */
export async function settled() {
  for (let last = null; last !== pending;) {
    last = pending;
    await last;
  }
}

/** @param {number} index */
function choose(index) {
  const offers = all();
  for (const offer of offers) {
    offer.classList.toggle('on', offer === offers[index]);
    offer.setAttribute('aria-selected', String(offer === offers[index]));
  }
  offers[index]?.scrollIntoView({ block: 'nearest' });
}

/** @param {1 | -1} by */
export function move(by) {
  const offers = all();
  const at = offers.indexOf(/** @type {HTMLElement} */ (chosen()));
  choose((at + by + offers.length) % offers.length);
}

/** What the list hangs on has moved. */
export function follow() {
  if (!list.hidden) {
    place(anchorNow());
  }
}

/** @param {DOMRect} anchor */
function place(anchor) {
  const frame = page.getBoundingClientRect();
  const top = anchor.bottom - frame.top + 4;
  list.style.left = `${Math.max(0, Math.min(anchor.left - frame.left, frame.width - list.offsetWidth - 8))}px`;
  const above = anchor.bottom + list.offsetHeight + 8 > innerHeight && anchor.top > list.offsetHeight + 8;
  list.style.top = above ? `${anchor.top - frame.top - list.offsetHeight - 4}px` : `${top}px`;
}

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
