// Moves called without an order. Which can follow, from which foot, and what they do was reckoned by the server for every one; here only
// the eight that comes next is taken from that.

/** @typedef {{ begins: string, ends: string, turn: number, side: string, counts: number, pickUp: number, free: number, steps: { count: number, words: string, foot: string }[] }} Eight */
/** @typedef {{ number: number, name: string, difficulty: number, needs: number, eights: Eight[], parts: import('./painter.js').Part[], layers: { from: number, to: number, kind: string, words: string }[] }} Move */
/** @typedef {{ eight: number, bpm: number, moves: Move[], leftOut: string[], isRing: boolean }} Live */

const inRing = ['to the middle', 'half in, against the sun', 'against the sun', 'half out, against the sun', 'outwards', 'half out, with the sun', 'with the sun', 'half in, with the sun'];
const facings = ['12:00', '1:30', '3:00', '4:30', '6:00', '7:30', '9:00', '10:30'];

export class LiveCaller {
  /** @param {{ said: (words: string) => void, offer: (moves: Move[], not: string[]) => void }} ways */
  constructor(ways) {
    this.ways = ways;
    this.isOn = false;
    this.eight = 8;
    this.bpm = 112;
    /** @type {Move[]} */
    this.moves = [];
    /** @type {string[]} */
    this.leftOut = [];
    /** @type {import('./painter.js').Timeline} */
    this.line = empty(112);
    /** @type {Move | null} */
    this.called = null;
    /** @type {Move | null} */
    this.current = null;
    this.weight = 'L';
    this.free = 1;
    this.names = facings;
    this.facing = 0;
    this.eights = 0;
    this.turned = 0;
    /** @type {Move[]} */
    this.offered = [];
  }

  /** @param {Live | null} live */
  start(live) {
    this.isOn = true;
    this.weight = 'L';
    this.free = 1;
    this.facing = 0;
    this.eights = 0;
    this.called = null;
    this.current = null;
    if (live) {
      this.take(live);
    }
    this.line = { ...empty(this.bpm), isRing: this.names === inRing };
    this.lead();
    this.extend();
    this.extend();
  }

  /** Other moves from here on. @param {Live} live */
  take(live) {
    this.moves = live.moves;
    this.eight = live.eight;
    this.bpm = live.bpm;
    this.leftOut = live.leftOut;
    this.names = live.isRing ? inRing : facings;
    this.line.isRing = live.isRing;
    this.offer();
  }

  /** How many there are, and what was left out of them. */
  words() {
    return `${this.moves.length} moves${this.leftOut.length > 0 ? `; left out, since they are no steps that go into an eight: ${this.leftOut.join(', ')}` : ''}.`;
  }

  stop() {
    this.isOn = false;
  }

  get beat() {
    return 60 / this.bpm;
  }

  /** A count-in of half an eight. */
  lead() {
    const counts = Math.max(2, Math.ceil(this.eight / 2));
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
    this.offered = this.moves.filter((m) => this.eightOf(m));
    this.ways.offer(this.offered, this.moves.filter((m) => !this.eightOf(m)).map((m) => `${m.name}: ${this.whyNot(m)}`));
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

  /** The eight behind what is settled: what was called, else the same again, else the easiest that can follow. */
  extend() {
    const wanted = this.called ?? this.current;
    const move = this.eightOf(wanted) ? wanted : this.offered[0] ?? null;
    const eight = this.eightOf(move);
    const at = this.eights * this.eight * this.beat;
    const name = move ? `${move.name}${eight?.side ? `, ${eight.side}` : ''}` : 'march on the spot';
    const counts = eight?.counts ?? this.eight;
    for (let i = 0; i < counts; i++) {
      this.line.clicks.push({ at: at + (i * this.beat), label: String((i % this.eight) + 1), isCountIn: false, isFirst: i % this.eight === 0, isHalf: false, repeat: this.eights + 1, where: name, wall: '' });
    }
    if (eight && move) {
      const turns = Math.max(1, eight.steps.length);
      eight.steps.forEach((s, i) => {
        const facing = (((this.facing + Math.round(eight.turn * (i + 1) / turns)) % 8) + 8) % 8;
        this.line.steps.push({ at: at + (s.count * this.beat), starts: i === 0, name, foot: s.foot, free: eight.ends === 'L' ? 'R' : 'L', facing: this.names[facing], degrees: facing * 45, step: i === 0 ? move.name : '' });
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
      this.facing = (((this.facing + eight.turn) % 8) + 8) % 8;
    } else {
      this.line.steps.push({ at, starts: true, name, foot: '', free: '', facing: this.names[this.facing], degrees: this.facing * 45 });
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

  /** Settles a further eight whenever one begins, and hands its counts to the conductor. @param {import('./conductor.js').Conductor} conductor */
  follow(conductor) {
    if (conductor.position() >= (this.eights - 2) * this.eight * this.beat) {
      this.extend();
      const clicks = this.line.clicks.filter((c) => c.at > (conductor.notes.at(-1)?.at ?? -1) + 0.001).map((c) => ({ at: c.at, length: 0.06, voice: 'beat', pitch: 880, strong: c.isFirst }));
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

/** @param {number} bpm @returns {import('./painter.js').Timeline} */
function empty(bpm) {
  return { ratePercent: 100, bpm, end: 0, firstWall: '', clicks: [], steps: [], says: [], marks: [], events: [] };
}
