// Drives the call board: the band and the click play what the server reckoned, and the board shows the count, the step now and the
// step next at those moments. Nothing is reckoned here but "which of these moments is now".
import { Conductor, notesOf, tieMix } from '../conductor.js';
import { on } from '../keys.js';
import { button, field, the } from '../page.js';
import { fastest, nextRung, slowest, within } from './ladder.js';
import { closeMore } from './more.js';
import { paint as paintAt, put } from './painter.js';
import { clickAt, eightAfter, eightBefore, soundsOf } from './timeline.js';
import { stayAwake } from './wake.js';

const board = the('board');

/** @type {import('./timeline.js').Timeline | null} */
let line = null;
let rate = 100;
let shown = 0;
/** Levels of the step that are shown: how it goes. */
let opened = 0;
/** @type {import('../conductor.js').Note[]} */
let band = [];

export const conductor = new Conductor();
conductor.done = () => { shown = 0; stop('done'); };
tieMix(conductor);

/** @template T @param {string} address @returns {Promise<T | null>} null when it does not come */
async function fetched(address) {
  try {
    const answer = await fetch(address, { signal: AbortSignal.timeout(8000) });
    return answer.ok ? await answer.json() : null;
  } catch {
    return null;
  }
}

let asked = 0;

/** Only the last that was asked for counts: answers may overtake each other. */
async function load() {
  const { value, min, max } = field('repeats');
  const repeats = Math.min(Number(max), Math.max(Number(min), Number(value) || 1));
  const asking = ++asked;
  /** @type {import('./timeline.js').Timeline | null} */
  const answer = await fetched(`${board.dataset.source}&rate=${rate}&repeats=${repeats}`);
  if (asking !== asked) {
    return line !== null;
  }
  if (!answer) {
    // Its moments hold at any rate; only what can be said in time does not.
    put('rate', line ? `${rate} %; cues as at ${line.ratePercent} %` : `${rate} %`);
    put('phase', line ? 'the server does not answer; the board goes on with what it has' : 'the dance cannot be fetched; press Start to try again');
    return line !== null;
  }
  line = answer;
  put('rate', `${rate} %, ${Math.round(line.bpm * 10) / 10} a minute`);
  if (line.steps.length === 0) {
    put('now', 'This dance has no steps yet');
  }
  put('wall', line.firstWall);
  if (!conductor.playing && shown === 0 && line.clicks.length > 0) {
    // What the class hears before it is counted in.
    paint(line.clicks[0].at);
    put('count', '–');
    put('phase', 'ready');
    put('now', line.steps.length === 0 ? 'This dance has no steps yet' : 'Press Start');
  }
  const { end } = line;
  conductor.load([...band.filter((n) => n.at < end), ...soundsOf(line, 'click')].sort((a, b) => a.at - b.at), end);
  return true;
}

async function loadBand() {
  /** @type {import('../conductor.js').Score | null} */
  const score = await fetched(board.dataset.score ?? '');
  if (score) {
    band = notesOf(score).filter((n) => n.voice !== 'click');
    await load();
  }
}

/** At the slowest and at the fastest rate the way on is shown to be shut. */
function showEnds() {
  the('slower').setAttribute('aria-disabled', String(rate <= slowest));
  the('faster').setAttribute('aria-disabled', String(rate >= fastest));
}

/** Starts at a click; the first four are the count-in. @param {number} from */
async function start(from) {
  if (!line && !(await load())) {
    return;
  }
  shown = from;
  await conductor.play(line?.clicks[from]?.at ?? 0);
  put('go-word', 'Pause');
  // In the hall there is only the board.
  document.body.classList.add('dancing');
  requestAnimationFrame(show);
}

/** @param {string} words */
function stop(words) {
  if (conductor.playing) {
    conductor.pause();
  }
  put('phase', words);
  put('go-word', 'Start');
  document.body.classList.remove('dancing');
}

function show() {
  if (!conductor.playing || !line) {
    return;
  }
  const now = conductor.position();
  shown = clickAt(line, now);
  paint(now);
  requestAnimationFrame(show);
}

/** @param {number} now seconds on the timeline */
function paint(now) {
  if (line) {
    paintAt(line, shown, now, { opened });
  }
}

function toggle() {
  if (conductor.playing) {
    stop('paused');
  } else {
    start(shown);
  }
}

/** Moves to the first count of another eight. @param {number} way -1 or 1 */
function jump(way) {
  if (!line) {
    return;
  }
  const at = way > 0 ? eightAfter(line, shown) : eightBefore(line, shown);
  if (conductor.playing) {
    start(at);
  } else {
    shown = at;
    paint(line.clicks[at].at);
  }
}

function fromTheTop() {
  shown = 0;
  if (conductor.playing) {
    start(0);
  } else if (line) {
    paint(0);
  }
}

/** Another rate, without a break in the sound. @param {number} to percent */
async function setRate(to) {
  const wanted = within(to);
  field('rate-wanted').value = String(wanted);
  if (wanted === rate) {
    return;
  }
  rate = wanted;
  put('rate', `${rate} %`);
  showEnds();
  conductor.setRate(rate / 100);
  await load();
}

/** The next rung of the ladder. @param {number} way -1 or 1 */
function changeRate(way) {
  const next = nextRung(rate, way);
  return next ? setRate(next) : undefined;
}

/** How the step goes that is danced, a level more. */
function open() {
  opened++;
  if (line && !conductor.playing) {
    paint(line.clicks[shown]?.at ?? 0);
  }
}

button('go').addEventListener('click', toggle);
button('open').addEventListener('click', open);
button('back').addEventListener('click', () => jump(-1));
button('on').addEventListener('click', () => jump(1));
button('slower').addEventListener('click', () => changeRate(-1));
button('faster').addEventListener('click', () => changeRate(1));
/**
 * What cannot be taken becomes the nearest that can, or what it was.
 * @param {HTMLInputElement} box @param {number} was @returns {{ to: number, words: string }} words: the range, where something else was typed
 */
function taken(box, was) {
  const wanted = box.value === '' ? Number.NaN : Number(box.value);
  const to = Number.isFinite(wanted) ? Math.round(Math.min(Number(box.max), Math.max(Number(box.min), wanted))) : was;
  box.value = String(to);
  return { to, words: to === wanted ? '' : `from ${box.min} to ${box.max}, please` };
}

field('rate-wanted').addEventListener('change', async () => {
  const { to, words } = taken(field('rate-wanted'), rate);
  await setRate(to);
  put('phase', words || (the('phase').textContent ?? ''));
});
field('repeats').addEventListener('change', async () => {
  stop('ready');
  shown = 0;
  const { words } = taken(field('repeats'), 1);
  await load();
  put('phase', words || 'ready');
});

on('Teach', {
  Space: toggle, '→': () => jump(1), 'Page Down': () => jump(1), '←': () => jump(-1), 'Page Up': () => jump(-1),
  '↑': () => changeRate(1), '↓': () => changeRate(-1), '+': () => setRate(rate + 1), '-': () => setRate(rate - 1), Home: () => fromTheTop(), I: open, Escape: closeMore,
});
// Pressed with a finger or a mouse, a button gives the keys back to the board.
board.addEventListener('click', (event) => {
  if (event.detail > 0 && event.target instanceof Element) {
    const button = event.target.closest('button');
    button?.blur();
  }
});

stayAwake();
load().then(loadBand);
