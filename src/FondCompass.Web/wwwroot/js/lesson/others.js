// Another dance in the middle of a lesson: one of its own, one they know, or any of the shelf; the next of them, and back to where the lesson
// stood.
import { Finder } from '../board/finder.js';
import { put } from '../board/painter.js';
import { say } from '../board/said.js';
import { clickAt, eightBefore } from '../board/timeline.js';
import { the } from '../page.js';
import { showLive } from './blocks.js';
import { live } from './calling.js';
import { begin } from './clock.js';
import { paint, showBlock, tellClass, wordOfGo } from './display.js';
import { hush, play, showRate } from './player.js';
import { conductor, fetchBand } from './sound.js';
import { block, id, isOpen, lesson, state } from './state.js';
import { told } from './telling.js';

const patience = 8000;

/** What was danced before what is danced now, the last of it last: dances by their places, and where the lesson stood. @type {(number | (() => void))[]} */
const before = [];

/** How to go on where the lesson stands now: at the beginning of this eight. @returns {() => void} */
function mark() {
  const { at, now, pass, shown, rate, step, lastRepeat, otherSide } = state;
  const wasLive = live.isOn;
  const moment = now.line?.clicks[eightBefore(now.line, Math.min(shown + 1, now.line.clicks.length - 1))]?.at ?? conductor.position();
  return () => {
    hush();
    Object.assign(state, { at, now, pass, rate, step, lastRepeat, otherSide, shown: now.line ? clickAt(now.line, moment) : 0 });
    conductor.zeroSong = moment;
    showBlock();
    showLive(wasLive);
    live.isOn = wasLive;
    showRate();
    put('go-word', wordOfGo());
    paint();
    tellClass();
    say('the lesson goes on where it was');
  };
}

/** A dance is danced whole, here and now. @param {number} which its place among those that are there */
function dance(which) {
  const called = lesson().whole[which];
  hush();
  live.stop();
  the('live').hidden = true;
  Object.assign(state, { now: { how: 'whole', line: called.timeline, whole: which }, pass: 0, shown: 0, otherSide: false, rate: 100 });
  told('call', { words: called.title });
  put('block-title', called.title);
  showRate();
  // The counts are heard at once; the band comes in as soon as it is there.
  play(0, true);
  fetchBand(called.dance ?? 0);
  say(`${called.title}; Shift ← goes back to the lesson`);
}

/** @param {number} which */
function callUp(which) {
  if (!isOpen() || !lesson().whole[which]?.timeline) {
    say('this cannot be danced from its beginning to its end');
    return;
  }
  begin();
  before.push(state.now.how === 'whole' ? state.now.whole ?? 0 : mark());
  dance(which);
}

/** A dance of the shelf joins those that are there. @param {string} dance @param {string} title @returns {Promise<number>} its place; -1 where it does not come */
async function fetchDance(dance, title) {
  try {
    const answer = await fetch(`/lessons/${id}/teach?handler=Dance&dance=${dance}`, { signal: AbortSignal.timeout(patience), redirect: 'error' });
    if (!answer.ok) {
      say(answer.status === 404 ? (await answer.json()).title : `${title} cannot be fetched now`);
      return -1;
    }
    const called = /** @type {{ dance: import('./state.js').Lesson['dances'][0], block: import('./state.js').Block }} */ (await answer.json());
    lesson().dances.push(called.dance);
    return lesson().whole.push({ ...called.block, dance: lesson().dances.length - 1, called: dance }) - 1;
  } catch {
    say(`${title} cannot be fetched now: the server does not answer`);
    return -1;
  }
}

/** The dance's place among those that are there already. @param {string} dance */
const placeOf = (dance) => lesson().whole.findIndex((b) => lesson().dances[b.dance ?? -1]?.id === dance);

export const finder = new Finder({
  tonight: () => lesson().whole.map((b, place) => ({ title: b.title, about: lesson().blocks.some((l) => l.dance === b.dance) ? 'in this lesson' : 'they know it', id: lesson().dances[b.dance ?? -1]?.id ?? '', place })),
  take: async ({ id: dance, title, place }) => {
    const which = place ?? (placeOf(dance) >= 0 ? placeOf(dance) : await fetchDance(dance, title));
    if (which >= 0) {
      callUp(which);
    }
  },
});

/** The next of tonight's dances, behind the last the first. */
export function next() {
  const { whole } = lesson();
  const at = state.now.how === 'whole' ? state.now.whole ?? 0 : whole.findIndex((b) => b.dance === block().dance);
  if (whole.length === 0 || (whole.length === 1 && at === 0)) {
    say('no other dance is in this lesson; D finds one on the shelf');
    return;
  }
  callUp((at + 1) % whole.length);
}

/** The dance before, at last the lesson where it stood. */
export function back() {
  if (state.now.how !== 'whole') {
    // By another key the lesson was gone back to already.
    before.length = 0;
  }
  const last = before.pop();
  if (last === undefined) {
    say('no other dance was called up');
  } else if (typeof last === 'number') {
    dance(last);
  } else {
    last();
  }
}

/** Behind the last pass of a dance that was called up the lesson stands where it stood. */
export function danced() {
  const goOn = before.find((b) => typeof b === 'function');
  before.length = 0;
  if (typeof goOn === 'function') {
    goOn();
  }
}
