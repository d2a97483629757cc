// The script's text box as a value with a history: every change goes through here, whoever makes it, and can be undone and
// redone without limit as long as the page is open.
import { on } from '../keys.js';

const box = /** @type {HTMLTextAreaElement} */ (document.getElementById('script'));

/** Keystrokes closer together than this are undone together. */
const together = 900;

/** @typedef {{ text: string, from: number, to: number }} State */
/** @type {State[]} */
const past = [];
/** @type {State[]} */
let future = [];
/** @type {State} */
let now = state();
let typedAt = 0;

/** @returns {State} */
function state() {
  return { text: box.value, from: box.selectionStart, to: box.selectionEnd };
}

/** @param {State} to */
function show(to) {
  box.value = to.text;
  box.setSelectionRange(to.from, to.to);
  now = to;
  tell('redraw');
}

/** Lets the ruler be drawn anew and the text be saved. @param {'input' | 'redraw'} how */
function tell(how) {
  box.dispatchEvent(new Event(how, { bubbles: true }));
  box.dispatchEvent(new CustomEvent('written', { bubbles: true }));
}

box.addEventListener('input', () => {
  if (box.value === now.text) {
    return;
  }
  const at = Date.now();
  const typing = Math.abs(box.value.length - now.text.length) === 1 && at - typedAt < together && past.length > 0 && box.value.at(box.selectionStart - 1) !== '\n';
  if (!typing) {
    past.push(now);
  }
  typedAt = at;
  future = [];
  now = state();
  box.dispatchEvent(new CustomEvent('written', { bubbles: true }));
});
for (const kind of ['keyup', 'click', 'select']) {
  box.addEventListener(kind, () => {
    if (box.value === now.text) {
      now = state();
    }
  });
}

/** Replaces the whole text as one change. @param {string} text @param {number} [caret] */
export function put(text, caret) {
  if (text !== now.text) {
    past.push(now);
    future = [];
  }
  typedAt = 0;
  const at = caret ?? Math.min(box.selectionStart, text.length);
  show({ text, from: at, to: at });
}

/** Replaces one row. @param {number} row from 1 @param {string} words */
export function putRow(row, words) {
  const rows = box.value.split('\n');
  rows[row - 1] = words;
  put(rows.join('\n'), startOf(row) + words.length);
}

export function undo() {
  const before = past.pop();
  if (before) {
    future.push(state());
    show(before);
  }
  typedAt = 0;
}

export function redo() {
  const after = future.pop();
  if (after) {
    past.push(state());
    show(after);
  }
  typedAt = 0;
}

/** Where a row begins in the text. @param {number} row from 1 */
export function startOf(row) {
  return box.value.split('\n').slice(0, row - 1).reduce((sum, r) => sum + r.length + 1, 0);
}

/** The row the caret is on, from 1, its words, and whether the caret stands at its end. */
export function caretRow() {
  const before = box.value.slice(0, box.selectionStart);
  const row = before.split('\n').length;
  const words = box.value.split('\n')[row - 1];
  return { row, words, atEnd: box.selectionStart === box.selectionEnd && box.selectionStart === startOf(row) + words.length };
}

/** Selects words of a row, or all of it, and brings it into sight. @param {number} row from 1 @param {number} [from] @param {number} [length] */
export function goTo(row, from, length) {
  const words = box.value.split('\n')[row - 1] ?? '';
  const start = startOf(row) + (from ?? 0);
  box.focus();
  box.setSelectionRange(start, start + (length ?? words.length));
  reveal(row);
}

/** Scrolls a row into sight without taking the focus. @param {number} row */
export function reveal(row) {
  const line = parseFloat(getComputedStyle(box).lineHeight);
  const top = (row - 1) * line;
  if (top < box.scrollTop || top > box.scrollTop + box.clientHeight - 2 * line) {
    box.scrollTop = Math.max(0, top - 5 * line);
  }
}

for (const within of [box, null]) {
  on('Write', { 'Ctrl Z': undo, 'Ctrl Y': redo, 'Ctrl Shift Z': redo }, within);
}
box.addEventListener('beforeinput', (event) => {
  if (event.inputType === 'historyUndo' || event.inputType === 'historyRedo') {
    event.preventDefault();
    (event.inputType === 'historyUndo' ? undo : redo)();
  }
});
document.getElementById('undo')?.addEventListener('click', undo);
document.getElementById('redo')?.addEventListener('click', redo);

export { box };

/** What may stand above the first step. */
const heads = /^\s*(title|start|tempo|intro)\b/;

/** Whether there is no step yet: nothing but settings and an empty part. */
export const isUntouched = () => box.value.split('\n').every((row) => row.trim() === '' || heads.test(row) || /^\s*part\s+\S+\s*$/.test(row));

/** Another script below the settings of this one that it does not say itself; its own settings first. @param {string} other */
export function belowSettings(other) {
  const said = new Set(other.split('\n').map((row) => row.trim().split(/\s/)[0]));
  const kept = box.value.split('\n').filter((row) => heads.test(row) && row.trim().includes(' ') && !said.has(row.trim().split(/\s/)[0]));
  const rows = other.split('\n');
  const first = rows.findIndex((row) => !/^\s*(title|start|tempo|intro|level|walls|genre|#)/.test(row));
  return [...rows.slice(0, Math.max(0, first)), ...kept, ...rows.slice(Math.max(0, first))].join('\n');
}
