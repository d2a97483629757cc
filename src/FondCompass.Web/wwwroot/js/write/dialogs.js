// The sheets that open over the page: pasting a step list, other ways to dance a step, and tidying the text.
import { ask } from './ask.js';
import { button } from '../page.js';
import { belowSettings, box, isUntouched, put } from './text.js';

const paste = /** @type {HTMLDialogElement} */ (document.getElementById('paste'));
const pasteList = /** @type {HTMLTextAreaElement} */ (document.getElementById('paste-list'));
const pasted = /** @type {HTMLElement} */ (document.getElementById('pasted'));
const ways = /** @type {HTMLDialogElement} */ (document.getElementById('ways'));
const waysBody = /** @type {HTMLElement} */ (document.getElementById('ways-body'));

document.addEventListener('click', (event) => {
  const target = event.target instanceof Element ? event.target : null;
  if (target?.closest('[data-open="paste"]')) {
    // Where no step is written there is one thing to do with a list.
    const isFirst = isUntouched();
    button('paste-in').hidden = isFirst;
    button('paste-over').textContent = isFirst ? 'Use these steps' : 'Replace the whole script';
    button('paste-over').classList.toggle('second', !isFirst);
    paste.showModal();
    pasteList.focus();
  }
  target?.closest('[data-close]')?.closest('dialog')?.close();
});

// A row put right in place is as tall as its words.
pasted.addEventListener('input', (event) => {
  if (event.target instanceof HTMLTextAreaElement) {
    event.target.rows = Math.max(1, event.target.value.split('\n').length);
  }
});

/** @type {number | undefined} */
let timer;
pasteList.addEventListener('input', () => {
  clearTimeout(timer);
  timer = setTimeout(async () => {
    const answer = await ask('Paste', { list: pasteList.value });
    if (answer) {
      pasted.innerHTML = await answer.text();
    }
  }, 150);
});

/** @param {(made: string) => string} join */
function use(join) {
  const made = [.../** @type {NodeListOf<HTMLTextAreaElement>} */ (pasted.querySelectorAll('[data-made]'))].map((row) => row.value).filter((row) => row.trim()).join('\n').concat('\n');
  if (made.trim()) {
    put(join(made), 0);
    paste.close();
    box.focus();
  }
}
document.getElementById('paste-in')?.addEventListener('click', () => use((made) => `${box.value.trimEnd()}\n\n${made}`.trimStart()));
document.getElementById('paste-over')?.addEventListener('click', () => use((made) => (isUntouched() ? belowSettings(made) : made)));

document.getElementById('tidy')?.addEventListener('click', async () => {
  const answer = await ask('Tidy');
  if (answer) {
    put((await answer.json()).script, 0);
  }
});

/** @type {(fields: Record<string, string | number>) => void} */
let change = () => {};

/** What a way chosen in the sheet is handed to. @param {(fields: Record<string, string | number>) => void} to */
export function whenWayIsChosen(to) {
  change = to;
}

/** @param {number} row @param {string} [aim] */
export async function openWays(row, aim = 'Any') {
  const answer = await ask('Ways', { row, aim });
  if (answer) {
    waysBody.innerHTML = await answer.text();
    if (!ways.open) {
      ways.showModal();
    }
    /** @type {HTMLElement | null} */ (waysBody.querySelector('select, .way-pick'))?.focus();
  }
}

waysBody.addEventListener('change', (event) => {
  if (event.target instanceof HTMLSelectElement) {
    openWays(Number(event.target.dataset.row), event.target.value);
  }
});
waysBody.addEventListener('click', (event) => {
  const pick = event.target instanceof Element ? event.target.closest('.way-pick') : null;
  if (pick instanceof HTMLElement) {
    const { way, row, part, line, count, words } = /** @type {Record<string, string>} */ (pick.dataset);
    ways.close();
    change(way === 'fill' ? { act: 'paste', on: 'step', part, line, count, taken: words } : { act: 'replace', on: 'step', row, words });
  }
});
