// What is chosen on the ruler, and how the keys go from one thing there to the next.
import { the } from '../page.js';
import { say } from './said.js';
import { reveal } from './text.js';

export const ruler = the('ruler');
const chosenWords = the('chosen');

/** @typedef {{ kind: string, row: number, part: string, line: number, count: number }} Choice */
/** @type {Choice | null} */
let choice = null;

/** What is chosen; null for nothing. */
export const chosen = () => choice;

/** Another becomes what is chosen, and nothing is said of it. @param {Choice | null} to */
export function take(to) {
  choice = to;
}

/** Puts words where those of what is chosen stand, until the next drawing. @param {string} words */
export function showInstead(words) {
  chosenWords.textContent = words;
}

export const picks = () => /** @type {HTMLElement[]} */ ([...ruler.querySelectorAll('[data-pick]')]);

/** @param {Element} element @returns {Choice} */
export function choiceOf(element) {
  const around = /** @type {SVGElement | null} */ (element.closest('svg.eight'));
  const own = /** @type {HTMLElement} */ (element).dataset;
  return {
    kind: own.pick ?? 'step',
    row: Number(own.row ?? 0),
    part: own.part ?? around?.dataset.part ?? '',
    line: Number(own.line ?? around?.dataset.line ?? 1),
    count: Number(own.count ?? 1),
  };
}

/** @param {Choice} a @param {Choice} b */
function isSame(a, b) {
  return a.kind === b.kind && (a.kind === 'step' ? a.row === b.row : a.part === b.part && (a.kind === 'part' || a.line === b.line));
}

/** The element of what is chosen; a row danced several times is chosen where it was clicked, else where it is danced first. */
export function element() {
  const wanted = choice;
  if (!wanted) {
    return null;
  }
  const all = picks().filter((p) => isSame(choiceOf(p), wanted));
  return all.find((p) => choiceOf(p).line === wanted.line && choiceOf(p).part === wanted.part) ?? all[0] ?? null;
}

/** @param {Choice | null} to */
export function choose(to) {
  choice = to;
  mark();
  const name = element()?.querySelector('title')?.textContent ?? '';
  ruler.dispatchEvent(new CustomEvent('chosen', { detail: to?.kind === 'step' ? to.row : 0 }));
  say(name && to?.kind === 'step' ? `${chosenWords.textContent}: ${name}` : chosenWords.textContent ?? '');
  if (to?.kind === 'step') {
    reveal(to.row);
  }
}

/** Shows again what is chosen, after every drawing. */
export function mark() {
  const wanted = choice;
  for (const pick of picks()) {
    pick.classList.toggle('on', wanted !== null && isSame(choiceOf(pick), wanted));
  }
  const at = element();
  at?.scrollIntoView({ block: 'nearest' });
  if (at && choice) {
    // Where it stands now; a change may have moved it.
    choice = { ...choice, ...choiceOf(at) };
  }
  const here = choice;
  document.querySelector('.ruler-keys')?.classList.toggle('none', !here || !at);
  chosenWords.textContent = !here || !at ? 'It'
    : here.kind === 'part' ? `part ${here.part}`
    : here.kind === 'line' ? `${here.part} line ${here.line}`
    : here.kind === 'slot' ? `${here.part} line ${here.line}, from ${here.count}`
    : `${here.part} ${here.line}, count ${here.count}`;
}

/** The next or last pick of the kinds given. @param {number} by @param {string[]} [kinds] */
export function step(by, kinds = ['step', 'slot']) {
  // A step that goes on in the next row of a folded line is one step.
  const all = picks().filter((p) => kinds.includes(choiceOf(p).kind) && !p.classList.contains('goes-on'));
  const at = element();
  if (all.length === 0) {
    return;
  }
  const index = at ? all.indexOf(at) : -1;
  const next = index < 0 ? all[by > 0 ? nearest(all) : all.length - 1] : all[Math.min(all.length - 1, Math.max(0, index + by))];
  choose(choiceOf(next));
}

/** The first pick at or after what is chosen but no longer of the kinds asked for. @param {HTMLElement[]} all */
function nearest(all) {
  const at = element();
  return at ? Math.max(0, all.findIndex((p) => at.compareDocumentPosition(p) & Node.DOCUMENT_POSITION_FOLLOWING)) : 0;
}

/** The pick above or below. @param {number} by */
export function upDown(by) {
  const at = element();
  if (!at) {
    step(1);
    return;
  }
  const here = at.getBoundingClientRect();
  const middle = here.left + Math.min(here.width / 2, 30);
  const lines = [...ruler.querySelectorAll('svg.eight, .next-line')];
  const around = at.closest('svg.eight, .next-line');
  const line = around ? lines[lines.indexOf(around) + by] : undefined;
  if (!line) {
    return;
  }
  const there = line.matches('[data-pick]') ? [line] : [...line.querySelectorAll('[data-pick="step"], [data-pick="slot"]')];
  const best = there.map((p) => ({ p, d: Math.abs(p.getBoundingClientRect().left + 10 - middle) })).sort((a, b) => a.d - b.d)[0];
  if (best) {
    choose(choiceOf(best.p));
  }
}

/** From a step to its line, from a line to its part. */
export function widen() {
  if (choice?.kind === 'step' || choice?.kind === 'slot') {
    choose({ ...choice, kind: 'line' });
  } else if (choice?.kind === 'line') {
    choose({ ...choice, kind: 'part' });
  }
}
