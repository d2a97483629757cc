// Says what changes on the page to those who do not see it: what the checks have become once the typing rests, the step that is
// chosen, what is offered. Only what is new is said, and of each kind only the last of what comes at once.

import { onHtmx, the } from '../page.js';

const said = the('said');
/** Milliseconds in which something newer of its kind may take its place. @type {Record<'checks' | 'choice', number>} */
const rest = { checks: 900, choice: 250 };
/** @type {Map<string, number>} */
const timers = new Map();

/** @param {string} words @param {'checks' | 'choice'} [kind] */
export function say(words, kind = 'choice') {
  clearTimeout(timers.get(kind));
  timers.set(kind, window.setTimeout(() => {
    said.textContent = words;
  }, rest[kind]));
}

/** The state of the dance, and the first thing that does not hold. */
function checks() {
  const state = document.getElementById('fact-checks')?.textContent?.replace(/\s+/g, ' ').trim() ?? '';
  const first = document.querySelector('#ruler .findings li:not(.early)')?.textContent?.replace(/\s+/g, ' ').trim() ?? '';
  return first ? `${state}: ${first}` : state;
}

let last = checks();
onHtmx('htmx:afterSettle', ({ target }) => {
  const now = checks();
  if (target?.id === 'ruler' && now !== last) {
    last = now;
    say(now, 'checks');
  }
});
