// Goes through the lesson block by block, by the one key or otherwise; and moves without an order in between.
import { put } from '../board/painter.js';
import { say } from '../board/said.js';
import { eightBefore } from '../board/timeline.js';
import { the } from '../page.js';
import { live } from './calling.js';
import { begin, enterClock, remember, showTime } from './clock.js';
import { paint, showBlock, showEnd, tellClass, wordOfGo } from './display.js';
import { hush, pause, play, seek, showRate, take } from './player.js';
import { conductor, loadSound } from './sound.js';
import { block, isCounted, isList, isOpen, lesson, state } from './state.js';
import { marks, slip, told } from './telling.js';

/** @param {boolean} isLive */
export function showLive(isLive) {
  the('live').hidden = !isLive;
  the('map').hidden = isLive;
}

/** Opens a block. @param {number} index */
export function enter(index) {
  if (!state.lesson) {
    return;
  }
  hush();
  live.stop();
  showLive(false);
  state.at = Math.max(0, Math.min(lesson().blocks.length - 1, index));
  const current = block();
  Object.assign(state, { shown: 0, pass: 0, step: 0, lastRepeat: 0, otherSide: false, isOver: false, rate: Math.round(current.rate) });
  take({ how: 'block', line: current.timeline });
  enterClock();
  showRate();
  showBlock();
  put('go-word', state.hasBegun ? wordOfGo() : 'Begin the lesson');
  if (state.hasBegun) {
    told('enter');
  }
  remember();
  if (current.timeline) {
    loadSound(current.timeline);
  }
  paint();
  say('');
  showTime();
  tellClass();
}

/** The one key: whatever comes next here. */
export function go() {
  if (!isOpen()) {
    return;
  }
  const current = block();
  const isDanced = live.isOn || state.now.how !== 'block' || current.lead === 'dance';
  // Where nothing is danced the first press begins the lesson and no more.
  if (begin() && !isDanced) {
    return;
  }
  if (!isDanced) {
    onWithin();
  } else if (conductor.playing) {
    pause();
  } else if (!live.isOn && state.now.how === 'block' && state.pass >= current.passes) {
    done();
  } else {
    play(conductor.position());
  }
}

/** The next step of a walk or move of a list; behind the last of them the block is done. */
function onWithin() {
  const isWalk = block().lead === 'walk';
  const steps = isWalk ? state.now.line?.steps.length ?? 0 : isList() ? block().moves.length : 0;
  if (state.step + 1 >= steps) {
    done();
    return;
  }
  state.step++;
  paint();
  put('go-word', isWalk && state.step + 1 >= steps ? 'Done: on to the next' : wordOfGo());
  tellClass();
}

/** The block is done; the next one. */
function done() {
  begin();
  const was = state.at;
  slip('done', told('done'), () => enter(was));
  onTo(was + 1);
}

/** On by its key: a block of which nothing was danced is passed over, any other is done. */
export function on() {
  if (block().lead === 'dance' && state.pass === 0 && state.shown === 0) {
    onTo(state.at + 1);
  } else {
    done();
  }
}

/** @param {number} index */
function onTo(index) {
  if (state.lesson && index >= lesson().blocks.length) {
    showOver();
  } else {
    enter(index);
  }
}

export function skip() {
  if (!isOpen()) {
    return;
  }
  begin();
  const was = state.at;
  slip('left out', told('skip'), () => enter(was));
  onTo(was + 1);
}

/** The lesson is over, for good: its log is written. */
export function showOver() {
  hush();
  const was = state.at;
  slip('the lesson is over', marks.add('close', ''), () => { state.isOver = false; enter(was); });
  stand();
}

/** The board of a lesson that is over. */
export function stand() {
  state.isOver = true;
  state.now = { how: 'block', line: null };
  paint();
  showEnd();
  showTime();
  tellClass();
}

/** The lesson goes on with another plan: the block that is led stays, what comes is new. @param {import('./state.js').Lesson} anew */
export function adopt(anew) {
  const led = state.hasBegun ? block() : null;
  // Dances that were called up stay at their places.
  const called = lesson().whole.filter((b) => b.called);
  state.lesson = { ...anew, dances: lesson().dances.length > anew.dances.length ? lesson().dances : anew.dances, whole: [...anew.whole, ...called] };
  const at = led ? state.lesson.blocks.findIndex((b) => b.id === led.id) : -1;
  if (!led || at < 0) {
    enter(0);
    return;
  }
  state.at = at;
  if (state.now.how === 'block') {
    showBlock();
  }
  paint();
  tellClass();
}

/** One back: a step of a walk, this eight, or the block before. */
export function back() {
  if (!isOpen()) {
    return;
  }
  const { line, how } = state.now;
  if (block().lead === 'walk' && how === 'block' && state.step > 0) {
    state.step--;
    put('go-word', 'Next step');
    paint();
    tellClass();
  } else if (isCounted() && line && !live.isOn && (state.shown > 0 || state.pass > 0)) {
    seek(line.clicks[eightBefore(line, state.shown)].at);
  } else {
    enter(state.at - 1);
  }
}

/** Moves are called without an order, or the plan goes on. */
export function toggleLive() {
  if (!isOpen()) {
    return;
  }
  if (live.isOn) {
    enter(state.at);
    return;
  }
  const known = lesson().live;
  if (!known) {
    return;
  }
  if (known.moves.length === 0) {
    say('no move is known that can be called; choose another source below');
  }
  if (conductor.playing) {
    conductor.pause();
  }
  showLive(true);
  live.start(known);
  put('live-said', live.words());
  conductor.zeroSong = 0;
  put('go-word', 'Start');
  put('block-title', 'Called live');
  paint();
}
