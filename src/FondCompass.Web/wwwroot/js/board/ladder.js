// The rates a board goes through by one key, in percent: the server's, written on the board.
import { the } from '../page.js';

const rungs = (the('board').dataset.ladder ?? '').split(' ').map(Number);

export const slowest = rungs[0];
export const fastest = rungs[rungs.length - 1];

/** The nearest rate that the board plays at. @param {number} rate percent */
export const within = (rate) => Math.max(slowest, Math.min(fastest, Math.round(rate)));

/** The next rung; undefined at the end. @param {number} rate percent @param {number} way -1 or 1 */
export const nextRung = (rate, way) => (way > 0 ? rungs.find((r) => r > rate) : rungs.findLast((r) => r < rate));
