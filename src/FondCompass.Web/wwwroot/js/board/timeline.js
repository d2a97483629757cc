// What the server reckoned of a dance, as moments: which of them is now, and which is the eight before or after. Seconds at the timeline's tempo.

/** @typedef {{ at: number, label: string, isCountIn: boolean, isFirst: boolean, isHalf: boolean, repeat: number, where: string, wall: string, part?: string, line?: number, count?: number }} Click */
/** @typedef {{ at: number, starts: boolean, name: string, foot: string, free: string, facing: string, degrees: number, deed?: string, step?: string }} Step */
/** @typedef {{ words: string, counts: string, parts: Part[] }} Part of a step: its words, its own counts, what it is made of */
/** @typedef {{ from: number, at: number, until: number, kind: string, words: string }} Mark */
/** @typedef {{ at: number, until: number, for: number, words: string, isOwn: boolean, layer?: string }} Say words, when they begin and end, and the moment they are for */
/** turned: words for ways of the room, by one quarter to the right, two and three. @typedef {{ ratePercent: number, bpm: number, end: number, firstWall: string, isRing?: boolean, turned?: { words: string, by: string[] }[], clicks: Click[], steps: Step[], says: Say[], marks: Mark[], events: { from: number, at: number, words: string }[], parts?: { step: string, parts: Part[] }[] }} Timeline */

/** Seconds that a click of a count sounds, and its pitches. */
const click = { length: 0.06, pitch: 880, countIn: 660 };

/** The last of these moments that is not after now; -1 before the first. @param {{ at: number }[]} moments @param {number} now */
export function lastAt(moments, now) {
  let found = -1;
  for (let low = 0, high = moments.length - 1; low <= high;) {
    const middle = (low + high) >> 1;
    if (moments[middle].at <= now) {
      found = middle;
      low = middle + 1;
    } else {
      high = middle - 1;
    }
  }
  return found;
}

/** Which of the clicks is now. @param {Timeline} line @param {number} now */
export const clickAt = (line, now) => Math.max(0, lastAt(line.clicks, now));

/** Whether an eight or a count-in begins with this click. @param {Timeline} line @param {number} at */
const begins = (line, at) => line.clicks[at].isFirst || (line.clicks[at].isCountIn && (at === 0 || !line.clicks[at - 1].isCountIn));

/** This eight's first click, or the one before when it has just begun. @param {Timeline} line @param {number} shown @returns {number} 0 at the least */
export function eightBefore(line, shown) {
  let at = line.clicks[shown]?.isFirst ? shown - 1 : shown;
  while (at > 0 && !begins(line, at)) {
    at--;
  }
  return Math.max(0, at);
}

/** The next eight's first click; the last click where there is none. @param {Timeline} line @param {number} shown */
export function eightAfter(line, shown) {
  const at = line.clicks.findIndex((c, i) => i > shown && c.isFirst);
  return at >= 0 ? at : Math.max(0, line.clicks.length - 1);
}

/**
 * The counts of a timeline as sounds.
 * @param {Timeline} line @param {'click' | 'beat'} voice of what is danced @param {'click' | 'beat'} [countIn] of the count-in
 * @returns {import('../conductor.js').Note[]}
 */
export const soundsOf = (line, voice, countIn = voice) => line.clicks.filter((c) => !c.isHalf).map((c) => (
  { at: c.at, length: click.length, voice: c.isCountIn ? countIn : voice, pitch: c.isCountIn ? click.countIn : click.pitch, strong: c.isFirst }));
