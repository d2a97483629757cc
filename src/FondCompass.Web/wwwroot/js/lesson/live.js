// Moves called without an order. Which can follow, from which foot, and what they do was reckoned by the server for every one; here only
// the eight that comes next is taken from that.

import { soundsOf } from '../board/timeline.js';

/** @typedef {{ begins: string, ends: string, turn: number, side: string, counts: number, pickUp: number, free: number, steps: { count: number, words: string, foot: string, free: string, turned: number }[] }} Eight turn: eighths to the right, of the whole of it, and turned: until a step */
/** @typedef {{ number: number, name: string, difficulty: number, needs: number, eights: Eight[], parts: import('../board/timeline.js').Part[], layers: { from: number, to: number, kind: string, words: string }[] }} Move */
/** @typedef {{ eight: number, bpm: number, moves: Move[], leftOut: string[], isRing: boolean, facings: string[], countIn: number, weight: string, between: string }} Live facings: the eight ways to face, from the front to the right; countIn: counts of it; weight: on which foot it stands before the first; between: what is danced where nothing can follow */

/** Degrees of an eighth of a turn. */
const eighth = 45;

/** Seconds by which a sound is a later one for sure. */
const hair = 0.001;

export class LiveCaller {
  /** @param {{ said: (words: string) => void, offer: (moves: Move[], not: string[]) => void }} ways */
  constructor(ways) {
    this.ways = ways;
    this.isOn = false;
    /** What the server gave. @type {Live} */
    this.live = { eight: 8, bpm: 1, moves: [], leftOut: [], isRing: false, facings: [], countIn: 0, weight: '', between: '' };
    /** @type {import('../board/timeline.js').Timeline} */
    this.line = empty(this.live);
    /** @type {Move | null} */
    this.called = null;
    /** @type {Move | null} */
    this.current = null;
    /** The foot that holds the weight behind what is settled, the counts in which nothing moves there, and eighths turned to the right. */
    this.weight = '';
    this.free = 1;
    this.facing = 0;
    this.eights = 0;
    this.turned = 0;
    /** @type {Move[]} */
    this.offered = [];
  }

  /** @param {Live} live */
  start(live) {
    this.isOn = true;
    this.weight = live.weight;
    this.free = 1;
    this.facing = 0;
    this.eights = 0;
    this.called = null;
    this.current = null;
    this.take(live);
    this.line = empty(live);
    this.lead();
    this.extend();
    this.extend();
  }

  /** Other moves from here on. @param {Live} live */
  take(live) {
    this.live = live;
    this.line.isRing = live.isRing;
    this.offer();
  }

  /** How many there are, and what was left out of them. */
  words() {
    const { moves, leftOut } = this.live;
    return `${moves.length} moves${leftOut.length > 0 ? `; left out, since they are no steps that go into an eight: ${leftOut.join(', ')}` : ''}.`;
  }

  stop() {
    this.isOn = false;
  }

  get beat() {
    return 60 / this.live.bpm;
  }

  /** Counts after which a call may change. */
  get eight() {
    return this.live.eight;
  }

  /** The count-in. */
  lead() {
    const counts = this.live.countIn;
    for (let i = 0; i < counts; i++) {
      this.line.clicks.push({ at: (i - counts) * this.beat, label: String(this.eight - counts + i + 1), isCountIn: true, isFirst: false, isHalf: false, repeat: 0, where: '', wall: '' });
    }
  }

  /** The eight of a move that can follow what is settled. @param {Move | null} move */
  eightOf(move) {
    return move?.eights.find((e) => e.begins === this.weight && e.pickUp < this.free);
  }

  /** What can follow what is settled by now, easy ones first. */
  offer() {
    this.offered = this.live.moves.filter((m) => this.eightOf(m));
    this.ways.offer(this.offered, this.live.moves.filter((m) => !this.eightOf(m)).map((m) => `${m.name}: ${this.whyNot(m)}`));
  }

  /** Why a move cannot follow what is settled. @param {Move} move */
  whyNot(move) {
    if (move.eights.some((e) => e.begins === this.weight)) {
      return 'it begins before its 1, and something still moves there';
    }
    const foot = this.weight === 'L' ? 'left' : 'right';
    return this.weight === 'L' || this.weight === 'R' ? `it begins with the ${foot} foot, which holds the weight then` : 'nobody knows which foot is free then';
  }

  /** The next move: it comes after the eight that the class hears it in. @param {Move} move */
  call(move) {
    if (!this.eightOf(move)) {
      this.ways.said(`${move.name} cannot follow here: ${this.whyNot(move)}.`);
      return;
    }
    this.called = move;
    this.ways.said(`Next: ${move.name}`);
  }

  /** Where one faces. @param {number} turned eighths to the right, behind what is settled */
  faced(turned) {
    const { facings } = this.live;
    const facing = (((this.facing + turned) % facings.length) + facings.length) % facings.length;
    return { facing: facings[facing], degrees: facing * eighth };
  }

  /** The eight behind what is settled: what was called, else the same again, else the easiest that can follow. */
  extend() {
    const wanted = this.called ?? this.current;
    const move = this.eightOf(wanted) ? wanted : this.offered[0] ?? null;
    const eight = this.eightOf(move);
    const at = this.eights * this.eight * this.beat;
    const name = move ? `${move.name}${eight?.side ? `, ${eight.side}` : ''}` : this.live.between;
    const counts = eight?.counts ?? this.eight;
    for (let i = 0; i < counts; i++) {
      this.line.clicks.push({ at: at + (i * this.beat), label: String((i % this.eight) + 1), isCountIn: false, isFirst: i % this.eight === 0, isHalf: false, repeat: this.eights + 1, where: name, wall: '' });
    }
    if (eight && move) {
      eight.steps.forEach((s, i) => {
        this.line.steps.push({ at: at + (s.count * this.beat), starts: i === 0, name, foot: s.foot, free: s.free, ...this.faced(s.turned), step: i === 0 ? move.name : '' });
      });
      this.line.parts ??= [];
      if (move.parts.length > 0 && !this.line.parts.some((p) => p.step === move.name)) {
        this.line.parts.push({ step: move.name, parts: move.parts });
      }
      for (const layer of move.layers) {
        this.line.marks.push({ from: at + ((layer.from - 2) * this.beat), at: at + (layer.from * this.beat), until: at + (layer.to * this.beat), kind: layer.kind, words: layer.words });
      }
      this.weight = eight.ends;
      this.free = eight.free;
      this.facing += eight.turn;
    } else {
      this.line.steps.push({ at, starts: true, name, foot: '', free: '', ...this.faced(0) });
    }
    if (move && wanted && move !== wanted) {
      this.ways.said(`${wanted.name} cannot go on from here: ${move.name} follows.`);
    }
    if (move && move !== this.current) {
      // Its name is whole before its first movement, begun two counts before or earlier where it is long.
      const first = at - ((eight?.pickUp ?? 0) * this.beat);
      const begins = first - Math.max(2 * this.beat, move.needs);
      this.line.says.push({ at: begins, until: begins + move.needs, for: first, words: name, isOwn: false });
    }
    if (this.called) {
      this.line.events.push({ from: at - (this.eight * this.beat), at, words: `next: ${name}` });
    }
    this.current = move;
    this.called = null;
    this.eights += counts / this.eight;
    this.line.end = this.eights * this.eight * this.beat;
    this.offer();
  }

  /** Settles a further eight whenever one begins, and hands its counts to the conductor. @param {import('../conductor.js').Conductor} conductor */
  follow(conductor) {
    if (conductor.position() >= (this.eights - 2) * this.eight * this.beat) {
      this.extend();
      const last = conductor.notes.at(-1)?.at ?? -1;
      const clicks = soundsOf(this.line, 'beat').filter((c) => c.at > last + hair);
      conductor.load([...conductor.notes, ...clicks], Number.POSITIVE_INFINITY);
    }
  }

  /** The eights that a class's screen needs now. */
  shownLine() {
    const from = Math.max(0, this.eights - 3) * this.eight * this.beat;
    return {
      ...this.line, says: this.line.says.filter((s) => s.for >= from), marks: this.line.marks.filter((m) => m.until >= from), events: this.line.events.filter((e) => e.at >= from),
      clicks: this.line.clicks.filter((c) => c.at >= from || c.isCountIn && from === 0), steps: this.line.steps.filter((s) => s.at >= from),
    };
  }
}

/** @param {Live} live @returns {import('../board/timeline.js').Timeline} */
function empty({ bpm, isRing }) {
  return { ratePercent: 100, bpm, end: 0, firstWall: '', isRing, clicks: [], steps: [], says: [], marks: [], events: [] };
}
