// Follows music from elsewhere by taps: the moments go to the server, which tells tempo and beat. Without it, the tempo stays as it was
// told last, and the 1 can still be set.

/** @typedef {{ bpm: number, beatAt: number, beats: number, spread: number, drift: number }} Beat */

/** Seconds without a tap after which tapping begins anew. */
const lost = 4;
const most = 64;
const least = 4;

export class Pulse {
  /** @param {(taps: number[]) => Promise<Response | null>} ask the server for the beat that was tapped; null when it is away */
  constructor(ask) {
    this.ask = ask;
    /** Called with a beat once there is one. @type {(beat: { bpm: number, moment: number }) => void} */
    this.run = () => {};
    /** Called with what is to be said. @type {(words: string) => void} */
    this.say = () => {};
    /** @type {number[]} */
    this.taps = [];
    this.isOn = false;
    this.bpm = 0;
    this.asked = 0;
  }

  /** @param {number} moment seconds on the page's clock */
  async tap(moment) {
    if (this.taps.length > 0 && moment - this.taps[this.taps.length - 1] > lost) {
      this.taps = [];
    }
    this.taps.push(moment);
    this.taps = this.taps.slice(-most);
    if (this.taps.length < least) {
      this.say(`${this.taps.length} of ${least} taps`);
      return;
    }
    const asking = ++this.asked;
    const answer = await this.ask(this.taps);
    if (asking !== this.asked) {
      return;
    }
    if (!answer?.ok) {
      this.say('The server is away, and a tempo cannot be reckoned without it; set the 1, or go on at the rate there is.');
      return;
    }
    if (answer.status === 204) {
      this.say('No steady beat in these taps yet; go on tapping.');
      return;
    }
    const beat = /** @type {Beat} */ (await answer.json());
    this.isOn = true;
    this.bpm = beat.bpm;
    const drift = Math.abs(beat.drift) >= 0.005 ? `, ${beat.drift > 0 ? 'gathering' : 'losing'} speed by ${Math.round(Math.abs(beat.drift) * 1000) / 10} %` : '';
    this.say(`${Math.round(beat.bpm * 10) / 10} a minute over ${beat.beats} beats, your hand within ${Math.round(beat.spread * 1000)} ms${drift}`);
    this.run({ bpm: beat.bpm, moment: beat.beatAt });
  }

  stop() {
    this.isOn = false;
    this.taps = [];
  }
}
