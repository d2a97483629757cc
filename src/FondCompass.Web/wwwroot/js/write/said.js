// Says what changes on the page to those who do not see it: what the checks have become once the typing rests, the step that is
// chosen, what is offered. Only what is new is said, and only the last of what comes at once.

const said = /** @type {HTMLElement} */ (document.getElementById('said'));
const rest = 900;
const soon = 250;
let timer = 0;

/** @param {string} words @param {number} [after] milliseconds in which something newer may take its place */
export function say(words, after = soon) {
  clearTimeout(timer);
  timer = window.setTimeout(() => {
    said.textContent = words;
  }, after);
}

/** The state of the dance, and the first thing that does not hold. */
function checks() {
  const state = document.getElementById('fact-checks')?.textContent?.replace(/\s+/g, ' ').trim() ?? '';
  const first = document.querySelector('#ruler .findings li')?.textContent?.replace(/\s+/g, ' ').trim() ?? '';
  return first ? `${state}: ${first}` : state;
}

let last = checks();
document.body.addEventListener('htmx:afterSettle', (/** @type {any} */ event) => {
  const now = checks();
  if (event.detail.target?.id === 'ruler' && now !== last) {
    last = now;
    say(now, rest);
  }
});
