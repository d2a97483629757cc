// The ruler as something to work on: the keys and buttons that go over it and change it, and the fixes that stand beside it.
import './drag.js';
import { onHtmx } from '../page.js';
import { on } from '../keys.js';
import { act, drawn, enter } from './changes.js';
import { chosen, element, mark, ruler, step, upDown, widen } from './choice.js';
import { box, goTo, putRow } from './text.js';

/** Along the lines or parts where one of them is chosen, else to the step above or below. @param {number} by */
function along(by) {
  const kind = chosen()?.kind;
  if (kind === 'line' || kind === 'part') {
    step(by, [kind]);
  } else {
    upDown(by);
  }
}

on('Write', {
  '→': () => step(1),
  '←': () => step(-1),
  '↓': () => along(1),
  '↑': () => along(-1),
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
  const choice = chosen();
  if (choice?.kind === 'step') {
    goTo(choice.row);
  } else {
    box.focus();
  }
}

// Any letter begins a new name, where the letter is no command.
ruler.addEventListener('keypress', (event) => {
  if (event.target === ruler && chosen() && !event.ctrlKey && !event.altKey && !event.metaKey && /^[\p{L}\d&]$/u.test(event.key)) {
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
  const choice = chosen();
  const row = choice?.kind === 'step' && document.activeElement === ruler ? choice.row : 0;
  const fix = ruler.querySelector(`[data-row="${row}"] .fix`) ?? ruler.querySelector('.fix');
  if (fix instanceof HTMLElement) {
    applyFix(fix);
  }
}

onHtmx('htmx:afterSwap', ({ target }) => {
  if (target === ruler) {
    mark();
    drawn();
  }
});
