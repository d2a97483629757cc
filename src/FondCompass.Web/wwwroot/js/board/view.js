// How a board is looked at in this hall: turned by quarters, the size of its letters, the whole screen, and how much later than the sound
// card says the sound comes. Size and delay are kept in this browser.
import { button, field, select } from '../page.js';
import { say } from './said.js';

const kept = 'fond-board';

/** Most milliseconds that a delay is set to; a negative one is of a screen that is late itself. */
const most = 1000;

/** A turn, in words. */
const turns = ['as it is written', 'turned a quarter to the right', 'turned by half', 'turned a quarter to the left'];

/** @typedef {{ letters: string, late: number }} Kept */

/** @returns {Kept} */
function recall() {
  try {
    const was = JSON.parse(localStorage.getItem(kept) ?? '{}');
    return { letters: String(was.letters ?? '1'), late: Number.isFinite(was.late) ? was.late : 0 };
  } catch {
    return { letters: '1', late: 0 };
  }
}

export const view = { quarters: 0, ...recall() };

function keep() {
  try {
    localStorage.setItem(kept, JSON.stringify({ letters: view.letters, late: view.late }));
  } catch {
    // Without room it holds until the page is left.
  }
}

/**
 * Ties the controls that every board has for this.
 * @param {import('../conductor.js').Conductor} conductor
 * @param {{ line: () => import('./timeline.js').Timeline | null, changed: () => void }} board changed: paints it anew
 */
export function tieView(conductor, board) {
  const letters = select('letters');
  const late = field('late');
  const show = () => {
    document.documentElement.style.setProperty('--letters', view.letters);
    conductor.late = view.late / 1000;
  };
  letters.value = view.letters;
  if (letters.value === '') {
    letters.value = view.letters = '1';
  }
  late.value = String(view.late);
  letters.addEventListener('change', () => {
    view.letters = letters.value;
    keep();
    show();
  });
  late.addEventListener('change', () => {
    const wanted = late.value.trim() === '' ? Number.NaN : Number(late.value);
    if (!Number.isFinite(wanted) || Math.abs(wanted) > most) {
      say(`a delay is from −${most} to ${most} milliseconds; it stays at ${view.late}`);
    } else {
      view.late = Math.round(wanted);
      say(`the sound is taken to come ${view.late} ms later`);
    }
    late.value = String(view.late);
    keep();
    show();
  });
  button('turn').addEventListener('click', () => turn(board));
  button('full').addEventListener('click', fullScreen);
  show();
}

/** The class faces a quarter further to the right than it is written: what is said of walls is turned with it. @param {{ line: () => import('./timeline.js').Timeline | null, changed: () => void }} board */
export function turn(board) {
  const line = board.line();
  if (line && (line.turned ?? []).length === 0) {
    say('in a ring there is no wall to turn it by');
    return;
  }
  view.quarters = (view.quarters + 1) % turns.length;
  say(`the board is ${turns[view.quarters]}`);
  board.changed();
}

/** The whole screen, or the window again. */
export async function fullScreen() {
  try {
    await (document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen());
  } catch {
    say('this browser does not give a page the whole screen; its own menu may');
  }
}
