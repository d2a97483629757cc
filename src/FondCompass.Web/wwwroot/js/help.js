// Drives the help page: shows only the rows that hold the words looked for, and lets keys be changed and switched off.
import './key-choice.js';

const find = /** @type {HTMLInputElement} */ (document.getElementById('find'));
const found = /** @type {HTMLElement} */ (document.getElementById('found'));

function show() {
  const words = find.value.toLowerCase().split(/\s+/).filter((w) => w !== '');
  let rows = 0;
  for (const row of document.querySelectorAll('.help-section tbody tr, .help-section p, .help-section pre, .help-section li')) {
    const text = (row.textContent ?? '').toLowerCase();
    const holds = words.every((w) => text.includes(w));
    /** @type {HTMLElement} */ (row).hidden = !holds;
    rows += holds ? 1 : 0;
  }
  // A heading stands as long as something below it does.
  for (const table of document.querySelectorAll('.help-section table')) {
    /** @type {HTMLElement} */ (table).hidden = !table.querySelector('tbody tr:not([hidden])');
  }
  for (const heading of document.querySelectorAll('.help-section h3')) {
    let below = heading.nextElementSibling;
    while (below && below.tagName !== 'H3' && below instanceof HTMLElement && below.hidden) {
      below = below.nextElementSibling;
    }
    /** @type {HTMLElement} */ (heading).hidden = below === null || below.tagName === 'H3';
  }
  for (const section of document.querySelectorAll('.help-section')) {
    /** @type {HTMLElement} */ (section).hidden = words.length > 0 && !section.querySelector('tbody tr:not([hidden]), p:not([hidden]), pre:not([hidden]), li:not([hidden])');
  }
  found.textContent = words.length === 0 ? '' : rows === 0 ? 'Nothing says that. Try another word, or fewer letters.' : `${rows} ${rows === 1 ? 'place' : 'places'}`;
}

find.addEventListener('input', show);
if (location.search !== '') {
  find.value = new URLSearchParams(location.search).get('find') ?? '';
  show();
}
