// A board runs with music from elsewhere: its beat is tapped, the 1 is set, and counts are added or taken away.
import { button } from '../page.js';
import { put } from './painter.js';
import { Pulse } from './pulse.js';
import { say } from './said.js';
import { clickAt, lastAt } from './timeline.js';

/** @typedef {import('./timeline.js').Timeline} Timeline */
/** @typedef {{ bpm: number, moment: number }} Beat a minute, and seconds on the page's clock at which one was struck */

/**
 * What a board has to be able to do for it.
 * @typedef {object} Host
 * @property {(taps: number[]) => Promise<Response | null>} ask the server for the beat of taps
 * @property {() => Timeline | null} line what is counted now; null where nothing is
 * @property {(from: number) => Promise<void>} play from a moment of it
 * @property {(line: Timeline) => void} load its sounds: none of the band while the music comes from elsewhere
 * @property {(bpm: number, percent: number) => void} went called when the board goes with a beat, and how fast that is
 * @property {() => void} moved called when it was put elsewhere
 * @property {() => void} back called when the band is to play again
 */

/** How much one key steers a board that goes with music from elsewhere. */
const steered = 1.01;

/** A tempo with one decimal. @param {number} bpm */
export const inWords = (bpm) => `${Math.round(bpm * 10) / 10} a minute`;

/** Counts a minute at full tempo. @param {Timeline} line */
export const fullOf = (line) => line.bpm * 100 / line.ratePercent;

export class Along {
  /** @param {import('../conductor.js').Conductor} conductor @param {Host} host */
  constructor(conductor, host) {
    this.conductor = conductor;
    this.host = host;
    this.pulse = new Pulse(host.ask);
    this.pulse.say = (words) => { put('tapped', words); say(words); };
    this.pulse.run = (beat) => this.runWith(beat);
    button('band').addEventListener('click', () => this.stop());
  }

  get isOn() {
    return this.pulse.isOn;
  }

  get bpm() {
    return this.pulse.bpm;
  }

  tap() {
    this.pulse.tap(performance.now() / 1000);
  }

  /** What is counted now, where something is; else it is said. */
  counted() {
    const line = this.host.line();
    if (!line) {
      say('nothing is counted here');
    }
    return line;
  }

  /** @param {Beat} beat */
  async runWith(beat) {
    const line = this.counted();
    if (!line) {
      return;
    }
    button('band').hidden = false;
    if (!this.conductor.playing) {
      // Four were tapped: that was the count-in, and the 1 comes with the next beat.
      await this.host.play(line.clicks[Math.max(0, line.clicks.findIndex((c) => !c.isCountIn))].at);
    }
    this.host.load(line);
    const full = fullOf(line);
    put('rate', `${inWords(beat.bpm)}, tapped`);
    this.host.went(beat.bpm, Math.round(beat.bpm / full * 100));
    const here = this.conductor.position();
    // At that moment a count was struck: the nearest of the board's is put there.
    const then = here + ((beat.moment - performance.now() / 1000) * beat.bpm / full);
    this.conductor.setRate(beat.bpm / full);
    this.conductor.jumpTo(here + (nearest(line.clicks.filter((c) => !c.isHalf), then).at - then));
    this.host.moved();
  }

  /** Music from elsewhere is as fast as it is; the board is steered a little after it. @param {number} way -1 or 1 */
  steer(way) {
    this.pulse.bpm *= way > 0 ? steered : 1 / steered;
    put('rate', `${inWords(this.pulse.bpm)}, tapped`);
    const line = this.host.line();
    if (line) {
      this.conductor.setRate(this.pulse.bpm / fullOf(line));
    }
  }

  /** The nearest first count of an eight is now. */
  setOne() {
    this.move((line, here) => {
      const ones = line.clicks.filter((c) => c.isFirst);
      return (ones.length > 0 ? nearest(ones, here) : line.clicks[clickAt(line, here)]).at;
    });
  }

  /** The board goes so many counts on. @param {number} counts */
  shift(counts) {
    this.move((line, here) => here + (counts * 60 / fullOf(line)));
  }

  /** @param {(line: Timeline, here: number) => number} to seconds on the timeline */
  move(to) {
    const line = this.counted();
    if (!line) {
      return;
    }
    if (!this.conductor.playing) {
      say('nothing is danced now: press Space, or tap the beat four times');
      return;
    }
    this.conductor.jumpTo(to(line, this.conductor.position()));
    this.host.moved();
  }

  /** The band plays again. */
  stop() {
    if (!this.isOn) {
      return;
    }
    this.pulse.stop();
    button('band').hidden = true;
    put('tapped', '');
    this.host.back();
  }
}

/** @param {import('./timeline.js').Click[]} clicks at least one @param {number} moment */
function nearest(clicks, moment) {
  const before = clicks[Math.max(0, lastAt(clicks, moment))];
  const after = clicks[lastAt(clicks, moment) + 1];
  return after && Math.abs(after.at - moment) < Math.abs(before.at - moment) ? after : before;
}

/** What the buttons of this do. @param {Along} along @returns {Record<string, () => void>} */
export const deedsOf = (along) => ({
  tap: () => along.tap(), one: () => along.setOne(), earlier: () => along.shift(-0.5), later: () => along.shift(0.5), 'earlier-one': () => along.shift(-1), 'later-one': () => along.shift(1),
});
