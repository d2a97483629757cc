// What the board sounds like: the clicks of what is danced, the band where it goes to the track, and how fast both go.
import { Along, fullOf, inWords } from '../board/along.js';
import { put } from '../board/painter.js';
import { tellStill } from '../board/said.js';
import { soundsOf } from '../board/timeline.js';
import { Conductor } from '../conductor.js';
import { post } from '../marks.js';
import { notesOf, tieMix } from '../mix.js';
import { live } from './calling.js';
import { id, lesson, played, state } from './state.js';

/** @typedef {import('../board/timeline.js').Timeline} Timeline */

export const conductor = new Conductor();
tieMix(conductor);
tellStill(conductor, (words) => put('still', words));

const nothing = () => {};

/** Music from elsewhere; what the board does with it is set by elsewhere.js. */
export const along = new Along(conductor, { ask: (taps) => post(id, 'Tap', taps), line: () => null, play: async () => {}, load: nothing, went: nothing, moved: nothing, back: nothing });

/** Notes of each dance's track. @type {Map<number, import('../conductor.js').Note[]>} */
const bands = new Map();

/** What is counted now; null in a block without counts. */
export const lineNow = () => (live.isOn ? live.line : state.now.line);

/** How fast the timeline goes: by the rate, or with the music from elsewhere. @param {Timeline} line */
export const speedOf = (line) => (along.isOn ? along.bpm / fullOf(line) : state.rate / 100);

export function rateWords() {
  const line = lineNow();
  return `${state.rate} %${line ? `, ${inWords(fullOf(line) * state.rate / 100)}` : ''}`;
}

/** @param {Timeline} line */
export function loadSound(line) {
  const isMusic = !live.isOn && (state.now.how === 'block' || state.now.how === 'whole') && played().toTrack;
  const clicks = along.isOn ? [] : soundsOf(line, isMusic ? 'click' : 'beat', 'beat');
  const band = isMusic && !along.isOn ? (bands.get(played().dance ?? 0) ?? []).filter((n) => n.at < line.end) : [];
  conductor.load([...band, ...clicks].sort((a, b) => a.at - b.at), live.isOn ? Number.POSITIVE_INFINITY : line.end);
}

/** The band's notes for a dance's track, once. @param {number} index */
export async function fetchBand(index) {
  const dance = lesson().dances[index];
  if (!dance?.id || !dance.hasTrack || bands.has(index)) {
    return;
  }
  try {
    const answer = await fetch(scoreOf(dance.id), { signal: AbortSignal.timeout(20000) });
    if (answer.ok) {
      bands.set(index, notesOf(await answer.json()).filter((n) => n.voice !== 'click'));
      const line = lineNow();
      if (conductor.playing && line && played().dance === index) {
        loadSound(line);
      }
    }
  } catch {
    // Without the band the counts are heard all the same.
  }
}

/** Where a dance's track is as notes. @param {string} dance */
export const scoreOf = (dance) => `/dances/${dance}/fit?handler=Score`;
