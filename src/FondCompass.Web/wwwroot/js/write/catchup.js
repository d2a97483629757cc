// Draws the ruler anew by itself when the server did not answer while something was written and is back.
import { untilBack } from '../keep.js';
import { box } from './text.js';

let isWaiting = false;

/** @param {Event} event */
async function missed(event) {
  if (event.target !== box || isWaiting) {
    return;
  }
  isWaiting = true;
  document.getElementById('ruler')?.classList.add('behind');
  await untilBack();
  isWaiting = false;
  box.dispatchEvent(new Event('redraw', { bubbles: true }));
}

for (const kind of ['htmx:sendError', 'htmx:timeout', 'htmx:responseError']) {
  document.body.addEventListener(kind, missed);
}
document.body.addEventListener('htmx:afterSwap', (event) => {
  if (/** @type {CustomEvent} */ (event).detail.target?.id === 'ruler') {
    document.getElementById('ruler')?.classList.remove('behind');
  }
});
