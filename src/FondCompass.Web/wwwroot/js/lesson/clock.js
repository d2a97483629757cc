// The lesson's clocks: of the block, of the hour, and how far behind the plan it is. They run from the moment at which the leader begins.
import { put } from '../board/painter.js';
import { wordOfGo } from './display.js';
import { block, id, isRehearsal, lesson, state } from './state.js';
import { told } from './telling.js';

/** What was begun longer ago than any lesson lasts, in milliseconds, is begun anew. */
const longest = 9 * 3600e3;

const where = `fond-${isRehearsal ? 'rehearsal' : 'lesson'} ${document.querySelector('meta[name="fond-account"]')?.getAttribute('content')} ${id}`;

/** When the block was opened, and the page, by a clock that nobody sets back; and when the lesson began, by the wall's. */
let entered = performance.now();
let opened = performance.now();
let began = Date.now();
/** Seconds that the lesson had lasted when this page was opened. */
let before = 0;

/** @param {number} from milliseconds of the page's clock @returns {number} seconds since then */
const since = (from) => (performance.now() - from) / 1000;

/** @param {number} seconds */
const clock = (seconds) => `${seconds < 0 ? '−' : ''}${Math.floor(Math.abs(seconds) / 60)}:${String(Math.floor(Math.abs(seconds)) % 60).padStart(2, '0')}`;

export function showTime() {
  if (!state.lesson) {
    return;
  }
  const { minutes, lateFrom } = lesson();
  if (!state.hasBegun || state.isOver) {
    put('block-left', '');
    put('lesson-left', state.isOver ? '' : `${Math.round(minutes)} min, not begun`);
    return;
  }
  const { seconds, startsAt } = block();
  const inBlock = since(entered);
  put('block-left', `${clock(seconds - inBlock)} for this`);
  const late = Math.round((taken() - startsAt - Math.min(inBlock, seconds)) / 60);
  put('lesson-left', `${clock(Math.max(0, (minutes * 60) - taken()))} left${late >= lateFrom ? `, ${late} min behind` : late <= -lateFrom ? `, ${-late} min to spare` : ''}`);
}

/** Seconds of the plan that the lesson has lasted. */
const taken = () => before + since(opened);

/** Seconds that are left of the lesson, and of the block that is led. */
export const secondsLeft = () => (lesson().minutes * 60) - (state.hasBegun ? taken() : 0);
export const secondsHere = () => Math.max(0, block().seconds - since(entered));

/** Where the lesson stands is where its plan stands: from now on nothing is late. */
export function onTime() {
  const { seconds, startsAt } = block();
  if (state.hasBegun) {
    const shift = startsAt + Math.min(since(entered), seconds) - taken();
    before += shift;
    began -= shift * 1000;
    remember();
  }
  showTime();
}

/** Nothing was begun. */
export function forget() {
  before = 0;
  try {
    localStorage.removeItem(where);
  } catch {
    // It is written over when the lesson begins.
  }
}

/** The block's clock begins. */
export function enterClock() {
  entered = performance.now();
}

/** The lesson begins when its leader begins it: from here on its clocks run, and what happens is told. @returns {boolean} whether it was begun just now */
export function begin() {
  if (state.hasBegun || !state.lesson) {
    return false;
  }
  state.hasBegun = true;
  before = 0;
  [entered, opened, began] = [performance.now(), performance.now(), Date.now()];
  told('enter');
  remember();
  put('go-word', wordOfGo());
  showTime();
  return true;
}

/** Where the lesson stands is kept for a reload. */
export function remember() {
  try {
    localStorage.setItem(where, JSON.stringify({ block: block().id, began, hasBegun: state.hasBegun }));
  } catch {
    // Without room the lesson begins at its first block after a reload; the marks say so already.
  }
}

/** Where the lesson stood when its page was last open. @returns {number} the block to open */
export function recall() {
  const kept = /** @type {{ block?: string, began?: number, hasBegun?: boolean }} */ (JSON.parse(localStorage.getItem(where) ?? '{}'));
  const open = lesson().blocks.findIndex((b) => b.id === kept.block);
  const then = kept.began ?? 0;
  const holds = open >= 0 && Date.now() - then < longest && then <= Date.now();
  began = holds ? then : Date.now();
  state.hasBegun = holds && kept.hasBegun === true;
  before = state.hasBegun ? (Date.now() - began) / 1000 : 0;
  return holds ? open : 0;
}
