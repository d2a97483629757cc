// Completion in the text: a step's first letters, Tab, and the row has its counts and its foot and the next row is open.
import * as offers from './offers.js';
import { box, caretRow, put } from './text.js';

/** True while the list belongs to the text and not to the ruler's field. */
let mine = false;

function below() {
  const style = getComputedStyle(box);
  const line = parseFloat(style.lineHeight);
  const frame = box.getBoundingClientRect();
  const top = frame.top + parseFloat(style.paddingTop) + (caretRow().row - 1) * line - box.scrollTop;
  return new DOMRect(frame.left + 12, top, 10, line);
}

box.addEventListener('input', () => {
  const { row, words, atEnd } = caretRow();
  mine = atEnd && /\p{L}/u.test(words);
  if (mine) {
    offers.open({ row }, { field: box, below });
  } else {
    offers.close();
  }
});

/** What is said about a row that is still being written waits until it is written. */
function hush() {
  const row = mine && (offers.isOpen() || offers.isAsked()) ? caretRow().row : 0;
  for (const item of document.querySelectorAll('#ruler .findings li')) {
    item.classList.toggle('early', item.getAttribute('data-row') === String(row));
  }
}
document.body.addEventListener('htmx:afterSwap', hush);
document.getElementById('offers')?.addEventListener('offers', hush);

/** @param {HTMLElement | null} offer */
function take(offer) {
  offers.close();
  const { row } = caretRow();
  const rows = box.value.split('\n');
  const indent = rows[row - 1].match(/^\s*/)?.[0] ?? '';
  // Where nothing is offered the words stay as they are, and the next row is open all the same.
  rows[row - 1] = offer?.dataset.row ? indent + offer.dataset.row : rows[row - 1];
  if (rows.length === row) {
    rows.push('');
  }
  mine = false;
  const text = rows.join('\n');
  const caret = rows.slice(0, row).reduce((sum, r) => sum + r.length + 1, 0);
  put(text, caret);
}

/** Keys pressed while an answer is awaited; they are written when it is there. @type {string[]} */
const ahead = [];
let waiting = false;

/** Takes the first offer when it is there, then writes what was typed meanwhile. */
async function takeWhenThere() {
  waiting = true;
  const { row } = caretRow();
  await offers.settled();
  if (caretRow().row === row) {
    take(offers.chosen());
  }
  for (let key = ahead.shift(); key; key = ahead.shift()) {
    if (key === 'Tab') {
      await offers.settled();
      take(offers.chosen());
    } else {
      box.setRangeText(key === 'Enter' ? '\n' : key, box.selectionStart, box.selectionEnd, 'end');
      box.dispatchEvent(new Event('input', { bubbles: true }));
    }
  }
  waiting = false;
}

box.addEventListener('keydown', (event) => {
  if (event.ctrlKey || event.altKey || event.metaKey) {
    return;
  }
  if (waiting && (event.key.length === 1 || event.key === 'Tab' || event.key === 'Enter')) {
    event.preventDefault();
    ahead.push(event.key);
  } else if (mine && event.key === 'Tab' && !event.shiftKey) {
    event.preventDefault();
    if (!offers.isOpen() && !offers.isAsked()) {
      offers.open({ row: caretRow().row }, { field: box, below });
    }
    takeWhenThere();
  } else if (mine && offers.isOpen() && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
    event.preventDefault();
    offers.move(event.key === 'ArrowDown' ? 1 : -1);
  } else if (event.key === 'Escape' || event.key === 'Enter') {
    offers.close();
    mine = false;
  }
});
box.addEventListener('blur', () => mine && offers.close());
offers.whenClicked((offer) => {
  if (mine) {
    take(offer);
    box.focus();
  }
});
