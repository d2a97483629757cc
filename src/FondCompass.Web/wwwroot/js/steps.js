// Drives the lexicon page: the step that is open stays in sight in the list, and its footprints can be stepped through.
import './floor.js';

// The list alone is scrolled; the page stays where it is.
const chosen = document.querySelector('.step-list [aria-current]');
if (chosen instanceof HTMLElement && chosen.parentElement) {
  chosen.parentElement.scrollTop = chosen.offsetTop - chosen.parentElement.clientHeight / 2;
}
