// Plays what the block dances, as often as it is danced; another rate, the block anew, and what is shown of the body.
import { put } from '../board/painter.js';
import { say } from '../board/said.js';
import { clickAt } from '../board/timeline.js';
import { nextRung, within } from '../board/ladder.js';
import { live } from './calling.js';
import { begin } from './clock.js';
import { paint, tellClass, wordOfGo } from './display.js';
import { along, conductor, lineNow, loadSound, rateWords, speedOf } from './sound.js';
import { block, isOpen, levelNames, lesson, played, state } from './state.js';
import { told } from './telling.js';

conductor.done = ended;

/** What is done behind the last pass of a dance that was called up. */
export const whenDanced = { back: again };

let isPainted = false;

function frame() {
  isPainted = conductor.playing;
  if (!isPainted) {
    return;
  }
  if (live.isOn) {
    live.follow(conductor);
  }
  paint();
  countRepeats();
  requestAnimationFrame(frame);
}

/** A repeat that was danced to its end is told. */
function countRepeats() {
  const repeat = state.now.line?.clicks[state.shown]?.repeat ?? 0;
  if (repeat > state.lastRepeat) {
    if (state.lastRepeat > 0 && state.now.how === 'block' && !live.isOn && !block().byPass) {
      told('repeat', { value: state.rate });
    }
    state.lastRepeat = repeat;
  }
}

/** The timeline was danced through. */
function ended() {
  if (live.isOn) {
    return;
  }
  if (state.now.how === 'whole') {
    state.pass++;
    if (state.pass < played().passes) {
      play(0);
    } else {
      whenDanced.back();
    }
    return;
  }
  if (state.now.how !== 'block') {
    // A bite by itself goes round until something else is asked for.
    play(0);
    return;
  }
  told('repeat', { value: state.rate });
  state.pass++;
  state.lastRepeat = 0;
  if (state.pass < block().passes) {
    play(0);
    return;
  }
  told('pause');
  document.body.classList.remove('dancing');
  state.shown = Math.max(0, (state.now.line?.clicks.length ?? 1) - 1);
  put('go-word', state.at + 1 < lesson().blocks.length ? 'On to the next' : 'End the lesson');
  say('done');
  tellClass();
}

/** @param {number} from seconds on the timeline @param {boolean} [quiet] goes on, and is not told as a beginning */
export async function play(from, quiet = false) {
  const line = lineNow();
  if (!line) {
    return;
  }
  begin();
  loadSound(line);
  state.lastRepeat = line.clicks[clickAt(line, from)]?.repeat ?? 0;
  const first = from <= 0 ? Math.min(0, line.clicks[0]?.at ?? 0) : from;
  conductor.setRate(speedOf(line));
  await conductor.play(first);
  if (!quiet) {
    told('play', { value: state.rate });
  }
  put('go-word', 'Pause');
  document.body.classList.add('dancing');
  tellClass();
  if (!isPainted) {
    isPainted = true;
    requestAnimationFrame(frame);
  }
}

/** Nothing sounds any more, and the page has its bars again. */
export function hush() {
  if (conductor.playing) {
    conductor.pause();
  }
  document.body.classList.remove('dancing');
}

export function pause() {
  if (conductor.playing) {
    told('pause');
  }
  hush();
  put('go-word', 'Start');
  say('paused');
  tellClass();
}

/** @param {number} to seconds on the timeline */
export function seek(to) {
  if (conductor.playing) {
    play(to, true);
  } else {
    conductor.zeroSong = to;
    state.shown = state.now.line ? clickAt(state.now.line, to) : 0;
    paint();
    tellClass();
  }
}

/** What is danced becomes another, from its first moment. @param {typeof state.now} now */
export function take(now) {
  state.now = now;
  conductor.zeroSong = now.line?.clicks[0]?.at ?? 0;
}

/** What was taken is danced where something was danced, else shown. */
export function goOn() {
  if (conductor.playing) {
    play(0);
  } else {
    paint();
    put('go-word', 'Start');
  }
}

/** The block once more from its beginning. */
export function again() {
  if (!isOpen()) {
    return;
  }
  const was = conductor.playing;
  const planned = Math.round(block().rate);
  const isBack = state.rate !== planned;
  if (isBack) {
    hush();
  }
  Object.assign(state, { pass: 0, step: 0, otherSide: false, rate: planned });
  take({ how: 'block', line: block().timeline });
  if (was && state.now.line && !isBack) {
    play(0, true);
  } else {
    paint();
    put('go-word', wordOfGo());
  }
  showRate();
  tellClass();
}

/** The rate, where the block is danced. */
export function showRate() {
  put('rate', block().lead === 'dance' || state.now.how === 'whole' ? rateWords() : '');
}

/** @param {number} to percent */
export function setRate(to) {
  const wanted = within(to);
  if (wanted === state.rate || !state.lesson) {
    return;
  }
  if (along.isOn) {
    along.steer(wanted - state.rate);
    return;
  }
  state.rate = wanted;
  put('rate', rateWords());
  conductor.setRate(wanted / 100);
  tellClass();
}

/** The next rung of the ladder. @param {number} way -1 or 1 */
export function changeRate(way) {
  const next = nextRung(state.rate, way);
  if (next) {
    setRate(next);
  }
}

/** How much of the body is danced. @param {number} by */
export function changeLevels(by) {
  state.levels = Math.max(1, Math.min(levelNames.length, state.levels + by));
  const words = levelNames.slice(0, state.levels).join(', ');
  put('levels', `Danced: ${words}`);
  told('levels', { words });
  paint();
}
