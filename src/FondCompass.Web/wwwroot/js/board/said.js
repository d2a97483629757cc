// Says in a few words on a board what was just done, for a while.
import { put } from './painter.js';

/** Milliseconds that a few words stand. */
const stands = 5000;

let until = 0;

/** @param {string} words none takes them away */
export function say(words) {
  put('said', words);
  clearTimeout(until);
  until = words === '' ? 0 : window.setTimeout(() => put('said', ''), stands);
}

/** Ties a conductor's silence to what stands on the board until it is over. @param {import('../conductor.js').Conductor} conductor @param {(words: string) => void} stand */
export function tellStill(conductor, stand) {
  conductor.stalled = (isStill) => stand(isStill ? 'No sound comes: the sound device stands still. The board waits for it and tries again by itself; look at the cable, the loudspeaker or the browser’s permission, then press Space twice.' : '');
}
