// Shows in plain words how the row in focus, or the one chosen or pointed at on the ruler, is read; a doubtful one offers its other reading.
import { box, caretRow, putRow } from './text.js';

const line = /** @type {HTMLElement} */ (document.getElementById('reading'));
const chosenWords = /** @type {HTMLElement} */ (document.getElementById('chosen'));
const text = /** @type {HTMLElement} */ (document.getElementById('reading-text'));
const doubt = /** @type {HTMLElement} */ (document.getElementById('reading-doubt'));
const instead = /** @type {HTMLButtonElement} */ (document.getElementById('reading-instead'));
const ruler = /** @type {HTMLElement} */ (document.getElementById('ruler'));

/** The row pointed at on the ruler, and the one chosen there while it has the focus; 0 when none is. */
let pointed = 0;
let chosen = 0;

function show() {
  const row = pointed || chosen || caretRow().row;
  const read = document.querySelector(`#row-reads > li[data-row="${row}"]`);
  const isChosen = chosenWords.textContent !== 'It';
  line.classList.toggle('none', !(read instanceof HTMLElement) && !isChosen);
  if (!(read instanceof HTMLElement)) {
    text.textContent = isChosen ? 'nothing yet' : '';
    doubt.hidden = instead.hidden = true;
    return;
  }
  text.textContent = read.textContent;
  doubt.textContent = read.dataset.doubt ?? '';
  doubt.hidden = !read.dataset.doubt;
  instead.hidden = !read.dataset.instead;
  instead.dataset.row = String(row);
  instead.dataset.words = read.dataset.instead;
}

for (const kind of ['keyup', 'click', 'select', 'focus', 'written']) {
  box.addEventListener(kind, show);
}
document.body.addEventListener('htmx:afterSwap', show);
ruler.addEventListener('pointerover', (event) => {
  const step = event.target instanceof Element ? event.target.closest('[data-pick="step"]') : null;
  pointed = step instanceof SVGElement ? Number(step.dataset.row) : 0;
  show();
});
ruler.addEventListener('pointerleave', () => {
  pointed = 0;
  show();
});
ruler.addEventListener('chosen', (event) => {
  chosen = /** @type {CustomEvent} */ (event).detail;
  show();
});
box.addEventListener('focus', () => {
  chosen = 0;
  show();
});
instead.addEventListener('click', () => {
  putRow(Number(instead.dataset.row), instead.dataset.words ?? '');
  box.focus();
});
show();
