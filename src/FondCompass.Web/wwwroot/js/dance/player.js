// Plays one dance on its board: the band and the click play what the server reckoned, and the board shows the count, the step now and the
// step next at those moments. Nothing is reckoned here but "which of these moments is now".
import { Along, fullOf, inWords } from '../board/along.js';
import { fastest, nextRung, slowest, within } from '../board/ladder.js';
import { paint as paintAt, put } from '../board/painter.js';
import { say, tellStill } from '../board/said.js';
import { clickAt, eightAfter, eightBefore, soundsOf } from '../board/timeline.js';
import { view } from '../board/view.js';
import { Conductor } from '../conductor.js';
import { notesOf, tieMix } from '../mix.js';
import { field, the } from '../page.js';
import { ask, fetched } from './asking.js';

/** @typedef {import('../board/timeline.js').Timeline} Timeline */

const board = the('board');

/** @type {Timeline | null} */
let line = null;
let rate = 100;
let shown = 0;
/** Levels of the step that are shown: how it goes. */
let opened = 0;
/** @type {import('../conductor.js').Note[]} */
let band = [];
let isPainted = false;

export const conductor = new Conductor();
conductor.done = () => { shown = 0; stop('done'); };
tieMix(conductor);
tellStill(conductor, (words) => put('still', words));

export const lineNow = () => line;

export const along = new Along(conductor, {
  ask, line: lineNow, play: (from) => start(line ? clickAt(line, from) : 0), load: sound, went: () => {}, moved: () => {}, back: () => {
    if (line) {
      sound(line);
    }
    conductor.setRate(rate / 100);
    showRate();
  },
});

/** @param {Timeline} of */
function sound(of) {
  const { end } = of;
  conductor.load(along.isOn ? [] : [...band.filter((n) => n.at < end), ...soundsOf(of, 'click')].sort((a, b) => a.at - b.at), end);
}

function showRate() {
  put('rate', line ? (along.isOn ? `${inWords(along.bpm)}, tapped` : `${rate} %, ${inWords(fullOf(line) * rate / 100)}`) : `${rate} %`);
}

let asked = 0;

/** The timeline of a dance at the rate and the repeats that are set. @param {string} source @returns {Promise<Timeline | null>} */
const timelineOf = (source) => fetched(`${source}&rate=${rate}&repeats=${field('repeats').value}`);

/** Only the last that was asked for counts: answers may overtake each other. */
export async function load() {
  const asking = ++asked;
  const answer = await timelineOf(board.dataset.source ?? '');
  if (asking !== asked) {
    return line !== null;
  }
  if (!answer) {
    // Its moments hold at any rate; only what can be said in time does not.
    put('rate', line ? `${rate} %; cues as at ${line.ratePercent} %` : `${rate} %`);
    put('phase', line ? 'the server does not answer; the board goes on with what it has' : 'the dance cannot be fetched; press Start to try again');
    return line !== null;
  }
  take(answer);
  return true;
}

/** @param {Timeline} answer */
function take(answer) {
  line = answer;
  showRate();
  if (!conductor.playing && shown === 0) {
    showReady();
  }
  sound(line);
}

/** What the class hears before it is counted in. */
function showReady() {
  if (!line) {
    return;
  }
  put('wall', line.firstWall);
  if (line.clicks.length > 0) {
    paint(line.clicks[0].at);
    put('count', '–');
    put('phase', 'ready');
  }
  put('now', line.steps.length === 0 ? 'This dance has no steps yet' : 'Press Start');
}

export async function loadBand() {
  const of = board.dataset.score ?? '';
  /** @type {import('../mix.js').Score | null} */
  const score = await fetched(of);
  if (score && of === board.dataset.score) {
    band = notesOf(score).filter((n) => n.voice !== 'click');
    if (line) {
      sound(line);
    }
  }
}

/**
 * Goes over to another dance: the one that is danced sounds on until the other is there.
 * @param {{ source: string, score: string, repeats: string }} other @param {() => void} show shows whose board it is now
 * @returns {Promise<boolean>} false where the other does not come: then all stays as it is
 */
export async function goOver(other, show) {
  const asking = ++asked;
  const answer = /** @type {Timeline | null} */ (await fetched(`${other.source}&rate=${rate}&repeats=${other.repeats}`));
  if (!answer || asking !== asked) {
    return false;
  }
  const was = conductor.playing;
  conductor.pause();
  Object.assign(board.dataset, { source: other.source, score: other.score });
  field('repeats').value = other.repeats;
  show();
  [band, shown, opened, conductor.zeroSong, view.quarters] = [[], 0, 0, 0, 0];
  along.stop();
  line = answer;
  sound(line);
  showRate();
  if (was && line.clicks.length > 0) {
    await start(0);
  } else {
    stop('ready');
    showReady();
  }
  loadBand();
  return true;
}

/** Starts at a click; the first four are the count-in. @param {number} from */
export async function start(from) {
  if (!line && !(await load())) {
    return;
  }
  shown = from;
  await conductor.play(line?.clicks[from]?.at ?? 0);
  put('go-word', 'Pause');
  // In the hall there is only the board.
  document.body.classList.add('dancing');
  if (!isPainted) {
    isPainted = true;
    requestAnimationFrame(show);
  }
}

/** @param {string} words */
export function stop(words) {
  if (conductor.playing) {
    conductor.pause();
  }
  put('phase', words);
  put('go-word', 'Start');
  document.body.classList.remove('dancing');
}

function show() {
  isPainted = conductor.playing && line !== null;
  if (!isPainted || !line) {
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
    paintAt(line, shown, now, { opened, quarters: view.quarters });
  }
}

/** Paints what is shown once more, while nothing is danced that paints itself. */
export function repaint() {
  if (line && !conductor.playing) {
    paint(line.clicks[shown]?.at ?? 0);
  }
}

export function toggle() {
  if (conductor.playing) {
    stop('paused');
  } else {
    start(shown);
  }
}

/** Moves to the first count of another eight. @param {number} way -1 or 1 */
export function jump(way) {
  if (!line) {
    return;
  }
  const at = way > 0 ? eightAfter(line, shown) : eightBefore(line, shown);
  if (conductor.playing) {
    start(at);
  } else {
    shown = at;
    repaint();
  }
}

export function fromTheTop() {
  shown = 0;
  if (conductor.playing) {
    start(0);
  } else {
    repaint();
  }
}

/** At the slowest and at the fastest rate the way on is shown to be shut. */
function showEnds() {
  the('slower').setAttribute('aria-disabled', String(rate <= slowest));
  the('faster').setAttribute('aria-disabled', String(rate >= fastest));
}

/** Another rate, without a break in the sound. @param {number} to percent */
export async function setRate(to) {
  const wanted = within(to);
  field('rate-wanted').value = String(wanted);
  if (along.isOn) {
    if (wanted !== rate) {
      along.steer(wanted - rate);
    }
    return;
  }
  if (wanted === rate) {
    return;
  }
  rate = wanted;
  showRate();
  showEnds();
  conductor.setRate(rate / 100);
  await load();
}

/** One percent. @param {number} way -1 or 1 */
export const nudge = (way) => setRate(rate + way);

/** The next rung of the ladder. @param {number} way -1 or 1 */
export function changeRate(way) {
  const next = nextRung(rate, way);
  return next ? setRate(next) : undefined;
}

/** How the step goes that is danced, a level more. */
export function open() {
  opened++;
  repaint();
}

/**
 * What cannot be taken becomes the nearest that can, or what it was; and that is said.
 * @param {HTMLInputElement} box @param {number} was @returns {number}
 */
function taken(box, was) {
  const wanted = box.value === '' ? Number.NaN : Number(box.value);
  const to = Number.isFinite(wanted) ? Math.round(Math.min(Number(box.max), Math.max(Number(box.min), wanted))) : was;
  box.value = String(to);
  say(to === wanted ? '' : `from ${box.min} to ${box.max}, please; it is ${to} now`);
  return to;
}

export const takeRate = () => setRate(taken(field('rate-wanted'), rate));

export async function takeRepeats() {
  taken(field('repeats'), 1);
  stop('ready');
  shown = 0;
  await load();
}
