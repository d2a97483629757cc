// Moves called without an order: what can come next is offered as keys, and other moves are fetched.
import { put } from '../board/painter.js';
import { field, form, select, the } from '../page.js';
import { LiveCaller } from './live.js';
import { id } from './state.js';
import { told } from './telling.js';

/** @typedef {import('./live.js').Move} Move */

/** Moves that have a digit for their key. */
const digits = 9;

export const live = new LiveCaller({ said: (words) => put('live-said', words), offer: showMoves });

/** @param {Move[]} moves @param {string[]} not why others cannot come next */
function showMoves(moves, not) {
  put('not-now', not.length > 0 ? `Not next: ${not.join('; ')}.` : '');
  the('moves').replaceChildren(...moves.map((m, i) => {
    const button = document.createElement('button');
    button.type = 'button';
    button.textContent = i < digits ? `${i + 1} ${m.name}` : m.name;
    button.addEventListener('click', () => callMove(m));
    return button;
  }));
}

/** @param {Move | undefined} move */
export function callMove(move) {
  if (!live.isOn || !move) {
    return;
  }
  live.call(move);
  told('call', { words: move.name });
}

select('live-source').addEventListener('change', () => { the('live-list').hidden = select('live-source').value !== 'list'; });
form('live-from').addEventListener('submit', async (event) => {
  event.preventDefault();
  try {
    const answer = await fetch(`/lessons/${id}/teach?handler=Moves&from=${select('live-source').value}&list=${encodeURIComponent(field('live-list').value)}`, { signal: AbortSignal.timeout(8000) });
    const taken = /** @type {import('./live.js').Live} */ (await answer.json());
    const { leftOut } = taken;
    if (taken.moves.length === 0) {
      put('live-said', `Nothing of that can be called${leftOut.length > 0 ? `: ${leftOut.join(', ')} cannot be read as steps of an eight` : ''}.`);
      return;
    }
    live.take(taken);
    put('live-said', live.words());
  } catch {
    put('live-said', 'The server does not answer; the moves stay as they are.');
  }
});
