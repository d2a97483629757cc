// Steps through floor pictures: up to which moment the footprints are shown, and where the body is then.
import { on } from './keys.js';

/** Footprints further back than this, or further ahead, are not shown: the way tells the rest. */
const back = 6;
const ahead = 2;

/** @param {HTMLElement} picture @param {number} at */
function show(picture, at) {
  const slider = /** @type {HTMLInputElement} */ (picture.querySelector('.floor-at'));
  const last = Number(slider.max);
  const now = Math.max(0, Math.min(last, at));
  slider.value = String(now);
  for (const print of picture.querySelectorAll('.print')) {
    const index = Number(print.getAttribute('data-i'));
    print.classList.toggle('far', index > now + ahead || index < now - back);
    print.classList.toggle('faint', index > now || index < now - back / 2);
    print.classList.toggle('now', index === now);
  }
  for (const body of picture.querySelectorAll('.floor-body, .floor-ring.now')) {
    const isNow = Number(body.getAttribute('data-i')) === now;
    body.classList.toggle('on', isNow);
    if (isNow && body.hasAttribute('data-words')) {
      /** @type {HTMLElement} */ (picture.querySelector('.floor-words')).textContent = body.getAttribute('data-words');
    }
  }
}

/** @param {Element | null} element */
const pictureOf = (element) => /** @type {HTMLElement | null} */ (element?.closest('.floor-picture') ?? document.querySelector('.floor-picture'));

/** @param {HTMLElement} picture @param {number} by */
const step = (picture, by) => show(picture, Number(/** @type {HTMLInputElement} */ (picture.querySelector('.floor-at')).value) + by);

document.addEventListener('input', (event) => {
  if (event.target instanceof HTMLInputElement && event.target.classList.contains('floor-at')) {
    show(/** @type {HTMLElement} */ (pictureOf(event.target)), Number(event.target.value));
  }
});
document.addEventListener('click', (event) => {
  const button = event.target instanceof Element ? event.target.closest('.floor-back, .floor-on') : null;
  const picture = button ? pictureOf(button) : null;
  if (button && picture) {
    step(picture, button.classList.contains('floor-on') ? 1 : -1);
  }
});
/** @param {number} by */
const stepFirst = (by) => {
  const picture = pictureOf(null);
  if (picture) {
    step(picture, by);
  }
};
on('Floor', { '←': () => stepFirst(-1), '→': () => stepFirst(1) });

export function showAll() {
  for (const picture of document.querySelectorAll('.floor-picture')) {
    show(/** @type {HTMLElement} */ (picture), Number(/** @type {HTMLInputElement} */ (picture.querySelector('.floor-at')).value));
  }
}
showAll();
document.body.addEventListener('htmx:afterSettle', showAll);
