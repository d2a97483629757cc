// Drives the lexicon page: the step that is open stays in sight in the list, and its footprints can be stepped through.
import './floor.js';

document.querySelector('.step-list [aria-current]')?.scrollIntoView({ block: 'center' });
