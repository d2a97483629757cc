// Says what the checks have become, for those who do not see the ruler: once the typing rests, and only what is new.

const said = /** @type {HTMLElement} */ (document.getElementById('said'));
const rest = 900;
let timer = 0;

/** The state of the dance, and the first thing that does not hold. */
function words() {
  const state = document.getElementById('fact-checks')?.textContent?.replace(/\s+/g, ' ').trim() ?? '';
  const first = document.querySelector('#ruler .findings li')?.textContent?.replace(/\s+/g, ' ').trim() ?? '';
  return first ? `${state}: ${first}` : state;
}

let last = words();
document.body.addEventListener('htmx:afterSettle', (/** @type {any} */ event) => {
  if (event.detail.target?.id !== 'ruler') {
    return;
  }
  clearTimeout(timer);
  timer = window.setTimeout(() => {
    const now = words();
    if (now !== last) {
      last = now;
      said.textContent = now;
    }
  }, rest);
});
