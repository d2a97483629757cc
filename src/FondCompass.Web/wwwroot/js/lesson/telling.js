// What happens is told to the server by marks, and to the leader in a few words.
import { put } from '../board/painter.js';
import { say } from '../board/said.js';
import { Marks } from '../marks.js';
import { button, the } from '../page.js';
import { block, id, isRehearsal, state } from './state.js';

/** @typedef {import('../marks.js').Told} Told */

/** What can be taken back, the last of it last. @type {{ words: string, told: Told, back?: () => void }[]} */
const slips = [];
const file = the('file', HTMLAnchorElement);

/** What a rehearsal says of itself. */
export const ofRehearsal = isRehearsal ? 'A rehearsal: nothing of it is logged.' : '';

export const marks = new Marks(id, (words) => {
  put('state', words || ofRehearsal);
  file.hidden = !/as a file/.test(words);
}, isRehearsal);
file.addEventListener('click', () => { file.href = URL.createObjectURL(marks.file()); });

/** @param {string} kind @param {Partial<Told>} [more] */
export const told = (kind, more = {}) => marks.add(kind, state.lesson ? block().id : '', more);

/** What was done and can be taken back. @param {string} words @param {Told} event @param {() => void} [back] */
export function slip(words, event, back) {
  slips.push({ words, told: event, back });
  button('undo').disabled = false;
  say(words);
}

/** The bite's place on the map of the dance. @param {string | undefined} key */
const chipOf = (key) => [...the('map').children].find((c) => c instanceof HTMLElement && c.dataset.key === key);

/** A bite goes wrong. @param {import('./state.js').Bite} bite */
export function trouble(bite) {
  slip(`trouble: ${bite.name}`, told('trouble', { bite: bite.key }));
  chipOf(bite.key)?.classList.add('weak');
}

/** The last slip is taken back. */
export function undo() {
  const last = slips.pop();
  button('undo').disabled = slips.length === 0;
  if (!last) {
    say('nothing to take back');
    return;
  }
  marks.add('undo', last.told.block, { undoes: last.told.id });
  if (last.told.kind === 'trouble' && !slips.some((s) => s.told.kind === 'trouble' && s.told.bite === last.told.bite)) {
    chipOf(last.told.bite)?.classList.remove('weak');
  }
  last.back?.();
  say(`taken back: ${last.words}`);
}
