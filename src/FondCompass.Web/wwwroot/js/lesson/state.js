// Where a lesson stands on its board. The other modules of the board read and change it; nothing is reckoned here but which bite is danced.
import { the } from '../page.js';

/** @typedef {import('../board/timeline.js').Timeline} Timeline */
/** @typedef {{ id: string, kind: string, title: string, dance: number | null, lead: 'dance' | 'walk' | 'clock', startsAt: number, seconds: number, repeats: number, passes: number, byPass: boolean, rate: number, toTrack: boolean, layer: string | null, walls: string[], bites: string[], say: string[], watch: string[], moves: string[], timeline: Timeline | null, called?: string }} Block startsAt: seconds of the plan before it; called: of a dance that is none of the lesson's, its id */
/** @typedef {{ dance: number, key: string, name: string, part: string, line: number, lastLine: number, fromCount: number, one: Timeline | null, other: Timeline | null, fromTop: Timeline | null }} Bite */
/** @typedef {{ lesson: string, group: string, minutes: number, lateFrom: number, isOver: boolean, plan: number, dances: { id: string | null, title: string, hasTrack: boolean }[], blocks: Block[], whole: Block[], bites: Bite[], live: import('./live.js').Live | null }} Lesson lateFrom: minutes behind the plan from which it is said */
/** @typedef {'block' | 'bite' | 'chain' | 'whole'} How the block itself, a bite of it, from the top to it, or another dance, whole */

export const board = the('board');
export const id = board.dataset.lesson ?? '';

/** A rehearsal runs the whole board and logs nothing. */
export const isRehearsal = board.dataset.rehearsal === 'yes';

/** Levels of the body that a block may have danced, feet first. */
export const levelNames = (board.dataset.levels ?? '').split(' ');

export const state = {
  /** @type {Lesson | null} */
  lesson: null,
  at: 0,
  /** What is danced now. @type {{ how: How, line: Timeline | null, bite?: string, whole?: number }} */
  now: { how: 'block', line: null },
  /** The click that is shown. */
  shown: 0,
  pass: 0,
  /** Percent of the full tempo. */
  rate: 100,
  /** Of a walk the step that is shown, of a list the move. */
  step: 0,
  /** The leader has begun the lesson; until then no clock runs and nothing is told. */
  hasBegun: false,
  isOver: false,
  otherSide: false,
  mirrored: false,
  /** Levels of the step that are shown: how it goes. */
  opened: 0,
  levels: levelNames.length,
  lastRepeat: 0,
};

/** The lesson; only behind its loading. */
export const lesson = () => /** @type {Lesson} */ (state.lesson);

export const block = () => lesson().blocks[state.at];

/** Whether something can be led: the lesson is there and not over. */
export const isOpen = () => state.lesson !== null && !state.isOver;

export const isCounted = () => state.now.line !== null && (state.now.how !== 'block' || block().lead === 'dance');

/** What plays now: the block, or the dance that was called up. */
export const played = () => (state.now.how === 'whole' ? lesson().whole[state.now.whole ?? 0] : block());

/** The block is a list of moves that is led one after the other. */
export const isList = () => state.now.how === 'block' && block().lead === 'clock' && block().moves.length > 0;

/** The bite that is danced now: what is danced says in which part, line and count it is; before it begins, the first of it. @returns {Bite | undefined} */
export function biteNow() {
  const own = state.lesson?.bites.filter((b) => b.dance === block().dance) ?? [];
  const keys = state.now.bite ? [state.now.bite] : block().bites;
  const { part = '', line = 0, count = 0 } = state.now.line?.clicks[state.shown] ?? {};
  if (part === '') {
    return own.find((b) => b.key === keys[0]);
  }
  const here = own.filter((b) => b.part === part && b.line <= line && line <= b.lastLine && (b.line < line || b.fromCount <= count));
  // Of a split line the later half, once it has begun; of a part danced with several endings, the one that this block has.
  const latest = here.filter((b) => b.line === here[here.length - 1].line && b.fromCount === Math.max(...here.map((h) => h.fromCount)));
  return latest.find((b) => keys.includes(b.key)) ?? latest[0];
}
