// Shows where the lesson stands: on the board, and by the server on the class's screens.
import { list, paint as paintAt, put } from '../board/painter.js';
import { ClassTeller } from '../board/teller.js';
import { clickAt } from '../board/timeline.js';
import { view } from '../board/view.js';
import { post } from '../marks.js';
import { the } from '../page.js';
import { live } from './calling.js';
import { conductor, lineNow } from './sound.js';
import { biteNow, block, id, isList, levelNames, state } from './state.js';
import { marks } from './telling.js';

/** What a block without counts has no use for. */
const ofCounts = ['deed', 'phase', 'wall', 'facing', 'ahead', 'cue-count', 'mind', 'beside', 'left'];

/** Seconds by which a moment is passed for sure. */
const hair = 0.001;

const teller = new ClassTeller(id, post, (isAway) => { marks.isAway = isAway; marks.say(); });

/** What is shown, to the class's screens too. */
export function tellClass() {
  const { lesson, at, now, step, otherSide } = state;
  const current = lesson ? block() : null;
  teller.tell(() => ({
    block: at, how: now.how, bite: now.bite ?? '', whole: now.whole ?? 0, called: now.how === 'whole' ? lesson?.whole[now.whole ?? 0]?.called : undefined, quarters: view.quarters, move: lesson && isList() ? block().moves[step] : '', other: otherSide, title: current?.title ?? '', next: lesson?.blocks[at + 1]?.title ?? '', playing: conductor.playing, walk: current?.lead === 'walk' ? step : -1,
    song: conductor.position(), rate: conductor.rate, live: live.isOn ? live.shownLine() : null,
  }));
}

export function paint() {
  const line = lineNow();
  const isWalked = !live.isOn && block().lead === 'walk' && state.now.how === 'block';
  // The board has room for what is led: by counts, step by step, or by a clock alone.
  document.body.dataset.lead = !line ? 'clock' : isWalked ? 'walk' : 'dance';
  if (!line) {
    paintUncounted();
    return;
  }
  const moment = isWalked ? line.steps[state.step]?.at ?? 0
    : conductor.playing ? conductor.position() : Math.max(conductor.position(), line.clicks[state.shown]?.at ?? 0);
  state.shown = clickAt(line, isWalked ? moment + hair : moment);
  paintAt(line, state.shown, moment, {
    mirrored: state.mirrored, opened: state.opened, levels: new Set(levelNames.slice(0, state.levels)), turned: live.isOn ? live.turned : 0, quarters: live.isOn ? 0 : view.quarters,
  });
  const lit = biteNow()?.key ?? '';
  for (const chip of the('map').children) {
    chip.classList.toggle('lit', chip instanceof HTMLElement && chip.dataset.key === lit);
  }
  put('left', live.isOn || block().lead !== 'dance' || state.now.how !== 'block' ? '' : leftOf(line.clicks[state.shown]?.repeat ?? 0));
}

function paintUncounted() {
  const { moves } = block();
  const { step } = state;
  put('count', isList() ? `${step + 1} of ${moves.length}` : '');
  put('now', isList() ? moves[step] : block().title);
  [...the('words').querySelectorAll('li')].forEach((li, i) => {
    li.classList.toggle('now-led', i === step);
    if (i === step) {
      li.scrollIntoView({ block: 'nearest' });
    }
  });
  put('next', (isList() ? moves[step + 1] : undefined) ?? state.lesson?.blocks[state.at + 1]?.title ?? 'the end');
  for (const name of ofCounts) {
    put(name, '');
  }
  list('layers', []);
}

/** @param {number} repeat */
function leftOf(repeat) {
  const { repeats, passes, byPass } = block();
  const [done, all] = byPass ? [state.pass, passes] : [(state.pass * repeats) + Math.max(0, repeat - 1), passes * repeats];
  return all - done > 1 ? `${all - done} times` : 'last time';
}

/** What the one key does in this block. */
export function wordOfGo() {
  const { lead, moves } = block();
  return lead === 'dance' ? 'Start' : lead === 'walk' ? 'Next step' : state.step + 1 < moves.length ? 'Next move' : 'Done: on to the next';
}

/** The block's words and the map of its dance, written once when it is opened. */
export function showBlock() {
  const current = block();
  put('block-title', `${state.at + 1} of ${state.lesson?.blocks.length ?? 0}: ${current.title}`);
  const says = current.moves.length > 0 ? [] : [...new Set(current.say)];
  const moves = document.createElement('ol');
  moves.replaceChildren(...current.moves.map((m) => Object.assign(document.createElement('li'), { textContent: m })));
  the('words').replaceChildren(...(current.moves.length > 0 ? [moves] : []), ...[...says.map((w) => ['say', w]), ...current.watch.map((w) => ['watch', w])]
    .map(([kind, w]) => Object.assign(document.createElement('p'), { className: kind, textContent: w })));
  the('map').replaceChildren(...(state.lesson?.bites ?? []).filter((b) => b.dance === (current.dance ?? 0)).map((b) => {
    const chip = Object.assign(document.createElement('li'), { textContent: b.name });
    chip.dataset.key = b.key;
    chip.classList.toggle('in', current.bites.includes(b.key));
    return chip;
  }));
}

/** That it is over, and where what happened is. */
export function showEnd() {
  put('count', '');
  put('now', 'The lesson is over');
  put('block-title', 'Over');
  put('next', '');
  put('go-word', 'It is over');
  the('words').replaceChildren(Object.assign(document.createElement('a'), { href: `/lessons/${id}`, textContent: 'What happened', className: 'button' }));
}
