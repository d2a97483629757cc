// The ruler as something to work on: what is chosen on it, and the keys, buttons and drags that change it. Every change is
// carried out by the server in the text, so that text and ruler are never two things.
import { ask } from './ask.js';
import { openWays, whenWayIsChosen } from './dialogs.js';
import { openEntry } from './entry.js';
import { on } from '../keys.js';
import { say } from './said.js';
import { box, goTo, put, putRow, reveal } from './text.js';

const ruler = /** @type {HTMLElement} */ (document.getElementById('ruler'));
const chosenWords = /** @type {HTMLElement} */ (document.getElementById('chosen'));
const told = /** @type {HTMLElement} */ (document.getElementById('told'));

/** @typedef {{ kind: string, row: number, part: string, line: number, count: number }} Choice */
/** @type {Choice | null} */
let choice = null;
let taken = '';
let takenOn = 'step';

const picks = () => /** @type {HTMLElement[]} */ ([...ruler.querySelectorAll('[data-pick]')]);

/** @param {Element} element @returns {Choice} */
function choiceOf(element) {
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
function element() {
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
function mark() {
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

/** @param {string} words */
function refuse(words) {
  told.textContent = words;
  told.hidden = words === '';
}

/** @param {Record<string, string | number>} fields */
async function edit(fields) {
  const answer = await ask('Edit', fields);
  if (!answer) {
    return false;
  }
  const { script, row, refusal, taken: cut } = await answer.json();
  refuse(refusal ?? '');
  if (cut) {
    taken = cut;
    takenOn = String(fields.on ?? 'step');
  }
  if (!refusal && script !== box.value) {
    if (fields.on === 'step' || !fields.on) {
      choice = { kind: 'step', row, part: String(fields.part ?? choice?.part ?? ''), line: Number(fields.line ?? choice?.line ?? 1), count: 1 };
    } else if (fields.act === 'later' || fields.act === 'earlier') {
      choice = choice && fields.on === 'line' ? { ...choice, line: choice.line + (fields.act === 'later' ? 1 : -1) } : choice;
    }
    put(script);
    reveal(row);
  }
  return !refusal;
}

/** What an action is done to. */
const target = () => (choice ? { on: choice.kind === 'slot' ? 'step' : choice.kind, row: choice.row, part: choice.part, line: choice.line, count: choice.count } : null);

/** @param {string} words @param {boolean} replaces @param {number} counts */
async function write(words, replaces, counts) {
  const at = choice;
  if (!at) {
    return;
  }
  const fine = replaces
    ? await edit({ act: 'replace', on: 'step', row: at.row, part: at.part, line: at.line, words })
    : await edit({ act: 'insert', on: 'step', part: at.part, line: at.line, count: at.count, by: counts, words });
  if (fine) {
    onceDrawn = () => step(1);
  }
}

/** Called after the next drawing. @type {(() => void) | null} */
let onceDrawn = null;

/** A row's words without counts and remark. @param {number} row */
const wordsOf = (row) => box.value.split('\n')[row - 1].replace(/#.*$/, '').replace(/^[\s\d&aei.,–-]+(?=\s)/, '').trim();

/** Takes the steps that are chosen, one or a whole line, to the instructor's own words. */
function keep() {
  const wanted = choice;
  const rows = picks().map(choiceOf).filter((p) => p.kind === 'step' && wanted && (wanted.kind === 'step' ? p.row === wanted.row : p.part === wanted.part && p.line === wanted.line)).map((p) => p.row);
  const meaning = [...new Set(rows)].map(wordsOf).join(', ');
  if (meaning) {
    location.href = `/steps/own?row=${encodeURIComponent(`step NAME = ${meaning}`)}`;
  } else {
    refuse('Choose a step or a line first; then it can be kept as a step of your own.');
  }
}

/** Opens the field at what is chosen. @param {string} first what has been typed already */
function enter(first) {
  const at = element();
  if (!choice || !at || (choice.kind !== 'step' && choice.kind !== 'slot')) {
    return;
  }
  const replaces = choice.kind === 'step';
  const own = replaces ? wordsOf(choice.row) : '';
  openEntry({
    rect: () => (element() ?? ruler).getBoundingClientRect(),
    words: first || own,
    fields: { part: choice.part, line: choice.line, count: choice.count },
    take: (words, counts) => write(words, replaces, counts),
    leave: () => ruler.focus(),
  });
}

/** @param {string} act */
function act(act) {
  const at = target();
  if (act === 'newpart') {
    edit({ act });
  } else if (!at) {
    refuse('Choose a step on the ruler first: click it, or press Alt+R and the arrow keys.');
  } else if (act === 'write') {
    enter('');
  } else if (act === 'ways') {
    openWays(at.row);
  } else if (act === 'keep') {
    keep();
  } else if (act === 'longer' || act === 'shorter') {
    edit({ ...at, act: 'longer', by: act === 'longer' ? 1 : -1 });
  } else if (act === 'paste') {
    // Steps go before what is chosen; whole lines and parts go below the line or part it is in.
    edit({ ...at, act, on: takenOn, taken });
  } else {
    edit({ ...at, act });
  }
}

/** The next or last pick of the kinds given. @param {number} by @param {string[]} [kinds] */
function step(by, kinds = ['step', 'slot']) {
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
function upDown(by) {
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
function widen() {
  if (choice?.kind === 'step' || choice?.kind === 'slot') {
    choose({ ...choice, kind: 'line' });
  } else if (choice?.kind === 'line') {
    choose({ ...choice, kind: 'part' });
  }
}

on('Write', {
  '→': () => step(1),
  '←': () => step(-1),
  '↓': () => (choice?.kind === 'line' || choice?.kind === 'part' ? step(1, [choice.kind]) : upDown(1)),
  '↑': () => (choice?.kind === 'line' || choice?.kind === 'part' ? step(-1, [choice.kind]) : upDown(-1)),
  'Shift →': () => act('longer'),
  'Shift ←': () => act('shorter'),
  'Alt →': () => act('later'),
  'Alt ←': () => act('earlier'),
  'Alt ↓': () => act('later'),
  'Alt ↑': () => act('earlier'),
  Home: widen,
  Enter: () => act('write'),
  F2: () => act('write'),
  '/': () => act('split'),
  '=': () => act('mirror'),
  '*': () => act('duplicate'),
  '.': () => act('ways'),
  '!': () => act('keep'),
  Delete: () => act('remove'),
  Backspace: () => act('remove'),
  'Ctrl C': () => act('copy'),
  'Ctrl X': () => act('cut'),
  'Ctrl V': () => act('paste'),
  '+': () => act('newpart'),
  Escape: () => goToChosen(),
}, ruler);
on('Write', { 'Alt F': firstFix });

function goToChosen() {
  if (choice?.kind === 'step') {
    goTo(choice.row);
  } else {
    box.focus();
  }
}

// Any letter begins a new name, where the letter is no command.
ruler.addEventListener('keypress', (event) => {
  if (event.target === ruler && choice && !event.ctrlKey && !event.altKey && !event.metaKey && /^[\p{L}\d&]$/u.test(event.key)) {
    event.preventDefault();
    enter(event.key);
  }
});
ruler.addEventListener('focus', () => {
  if (!element()) {
    step(1);
  }
});

document.querySelector('.ruler-keys')?.addEventListener('click', (event) => {
  const button = event.target instanceof Element ? event.target.closest('[data-act]') : null;
  if (button instanceof HTMLElement) {
    act(button.dataset.act ?? '');
    if (button.dataset.act !== 'write' && button.dataset.act !== 'ways') {
      ruler.focus();
    }
  }
});
whenWayIsChosen((fields) => edit(fields));

// By mouse or finger: a click chooses, a double click writes, a drag moves, the right edge lengthens.
/** `held` is how many counts from the step's beginning it was taken. @type {{ pick: HTMLElement, grip: boolean, x: number, y: number, held: number, moved: boolean } | null} */
let drag = null;

/** The count under a point, and the line it is in. @param {PointerEvent} event */
function countAt(event) {
  const under = document.elementsFromPoint(event.clientX, event.clientY).find((e) => e.closest('svg.eight'))?.closest('svg.eight');
  if (!(under instanceof SVGSVGElement)) {
    return null;
  }
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(under.getScreenCTM()?.inverse());
  const { part = '', line = '1', gutter = '0', notch = '1', first = '1' } = under.dataset;
  return { part, line: Number(line), count: (point.x - Number(gutter)) / Number(notch) + Number(first) };
}

ruler.addEventListener('pointerdown', (event) => {
  const pick = event.target instanceof Element ? event.target.closest('[data-pick]') : null;
  if (pick && event.button === 0) {
    drag = { pick: /** @type {HTMLElement} */ (pick), grip: /** @type {Element} */ (event.target).classList.contains('grip'), x: event.clientX, y: event.clientY, held: (countAt(event)?.count ?? 0) - choiceOf(pick).count, moved: false };
    choose(choiceOf(pick));
    refuse('');
  }
});
ruler.addEventListener('pointermove', (event) => {
  if (drag && !drag.moved && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) > 6 && drag.pick.dataset.pick === 'step') {
    drag.moved = true;
    ruler.setPointerCapture(event.pointerId);
    ruler.classList.add('dragging');
  }
  const at = drag?.moved ? countAt(event) : null;
  chosenWords.textContent = at ? `${drag?.grip ? 'up to' : 'to'} ${at.part} ${at.line}, count ${drag?.grip ? Math.round(at.count) - 1 : Math.max(1, Math.round(at.count - (drag?.held ?? 0)))}` : chosenWords.textContent;
});
ruler.addEventListener('pointerup', (event) => {
  const was = drag;
  drag = null;
  ruler.classList.remove('dragging');
  if (!was?.moved) {
    return;
  }
  const at = countAt(event);
  const own = choiceOf(was.pick);
  if (!at) {
    return;
  }
  const rect = /** @type {SVGRectElement} */ (was.pick.querySelector('rect'));
  const svg = /** @type {SVGElement} */ (was.pick.closest('svg.eight'));
  const length = Math.round(Number(rect.dataset.width) / Number(svg.dataset.notch));
  if (was.grip) {
    const by = Math.round(at.count) - own.count - length;
    if (by !== 0) {
      edit({ act: 'longer', on: 'step', row: own.row, part: own.part, line: own.line, by });
    }
    return;
  }
  // Carried to the right it goes by its right edge, to the left by its left one.
  const start = Math.round(at.count - was.held);
  const isOn = at.part === own.part && at.line === own.line && start > own.count;
  edit({ act: 'moveto', on: 'step', row: own.row, part: at.part, line: at.line, count: Math.max(1, isOn ? start + length : start) });
});
ruler.addEventListener('pointercancel', () => {
  drag = null;
  ruler.classList.remove('dragging');
});
ruler.addEventListener('dblclick', () => act('write'));

/** Takes a fix that is offered. @param {HTMLElement} button */
function applyFix(button) {
  putRow(Number(button.dataset.fixRow), button.dataset.fixText ?? '');
}

ruler.addEventListener('click', (event) => {
  const button = event.target instanceof Element ? event.target.closest('.fix, .where') : null;
  if (!(button instanceof HTMLElement)) {
    return;
  }
  if (button.classList.contains('fix')) {
    applyFix(button);
  } else {
    const { row, from, length } = button.dataset;
    goTo(Number(row), from ? Number(from) : undefined, length ? Number(length) : undefined);
  }
});

/** Takes the fix of the step that is chosen, else the first there is. */
function firstFix() {
  const row = choice?.kind === 'step' && document.activeElement === ruler ? choice.row : 0;
  const fix = ruler.querySelector(`[data-row="${row}"] .fix`) ?? ruler.querySelector('.fix');
  if (fix instanceof HTMLElement) {
    applyFix(fix);
  }
}

document.body.addEventListener('htmx:afterSwap', (event) => {
  if (/** @type {CustomEvent} */ (event).detail.target === ruler) {
    mark();
    onceDrawn?.();
    onceDrawn = null;
  }
});
