// Plays what the server reckoned: notes and clicks at moments of the song, handed to the audio clock ahead of time. The rate may
// change while it plays, the tab may be hidden; moments come from the audio clock alone, never from timers or frames.

/** Seconds ahead that sounds are handed to the audio clock, and how far when nobody looks and timers are slow. */
const ahead = 1.2;
const aheadHidden = 70;
/** Milliseconds without a step of the audio clock after which the sound is said to stand still. */
const stillAfter = 1500;
/** Seconds between pressing play and the first sound. */
const leadIn = 0.12;

/**
 * @typedef {{ at: number, length: number, voice: string, pitch: number, strong: boolean }} Note seconds of the song at full rate
 */

export class Conductor {
  constructor() {
    /** Called when the last note has sounded. @type {() => void} */
    this.done = () => {};
    /** Called when the sound stands still though something plays, and when it goes on. @type {(isStill: boolean) => void} */
    this.stalled = () => {};
    this.isStalled = false;
    /** What the audio clock said last, and when by the page's. */
    this.heard = { at: -1, when: 0 };
    /** Seconds by which the sound comes later than the sound card says, set by ear: of a loudspeaker without a wire. */
    this.late = 0;
    /** @type {AudioContext | null} */
    this.audio = null;
    /** @type {Note[]} */
    this.notes = [];
    this.end = 0;
    this.rate = 1;
    this.playing = false;
    /** Audio-clock time and song moment that belong together. */
    this.zeroAudio = 0;
    this.zeroSong = 0;
    this.next = 0;
    /** Audio-clock time up to which everything has been handed over. */
    this.handed = 0;
    /** @type {{ node: AudioScheduledSourceNode, when: number }[]} */
    this.underWay = [];
    this.pump = 0;
    /** @type {Record<string, number>} */
    this.mix = { drums: 0.8, bass: 0.7, tune: 0.55, click: 0, beat: 0.7 };
    /** @type {Record<string, GainNode>} */
    this.buses = {};
    /** @type {AudioBuffer | null} */
    this.hiss = null;
    document.addEventListener('visibilitychange', () => this.schedule());
  }

  /**
   * Other notes from here on. While it plays they come in behind what the audio clock has already: nothing sounds twice.
   * @param {Note[]} notes in order of time @param {number} end
   */
  load(notes, end) {
    this.notes = notes;
    this.end = end;
    this.next = this.indexAt(this.playing && this.audio ? this.songAt(Math.max(this.handed, this.audio.currentTime)) + 2e-6 : this.zeroSong);
  }

  /** Seconds from the audio clock to the ear. */
  latency() {
    return (this.audio?.outputLatency || this.audio?.baseLatency || 0) + this.late;
  }

  /** Seconds of the song that are heard now. */
  position() {
    return this.playing && this.audio ? this.songAt(this.audio.currentTime - this.latency()) : this.zeroSong;
  }

  /** @param {number} when audio-clock time */
  songAt(when) {
    return this.zeroSong + (when - this.zeroAudio) * this.rate;
  }

  /** @param {number} at seconds of the song */
  audioAt(at) {
    return this.zeroAudio + (at - this.zeroSong) / this.rate;
  }

  /** @param {number} at */
  indexAt(at) {
    let low = 0;
    let high = this.notes.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.notes[middle].at < at - 1e-6) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /** Starts at a moment of the song. @param {number} from seconds */
  async play(from) {
    if (!this.audio) {
      this.audio = new AudioContext();
      for (const bus of Object.keys(this.mix)) {
        const gain = this.audio.createGain();
        gain.gain.value = this.mix[bus];
        gain.connect(this.audio.destination);
        this.buses[bus] = gain;
      }
    }
    await this.audio.resume();
    this.silence(0);
    this.zeroAudio = this.audio.currentTime + leadIn;
    this.zeroSong = from;
    this.next = this.indexAt(from);
    this.playing = true;
    clearInterval(this.pump);
    this.heard = { at: -1, when: performance.now() };
    this.pump = setInterval(() => { this.watch(); this.schedule(); }, 250);
    this.schedule();
  }

  /** Whether the audio clock goes on while something plays: a device that was pulled out, or a browser that holds it back, stops it. */
  watch() {
    const now = performance.now();
    const at = this.audio?.currentTime ?? 0;
    if (at !== this.heard.at) {
      this.heard = { at, when: now };
    }
    const isStill = this.playing && now - this.heard.when > stillAfter;
    if (isStill !== this.isStalled) {
      this.isStalled = isStill;
      this.stalled(isStill);
    }
    if (isStill) {
      this.audio?.resume();
    }
  }

  pause() {
    this.zeroSong = this.position();
    this.playing = false;
    clearInterval(this.pump);
    this.watch();
    this.silence(0);
  }

  /** Goes on at another rate without a break: what sounds now sounds on, what is to come is placed anew. @param {number} rate */
  setRate(rate) {
    if (this.playing && this.audio) {
      const now = Math.max(this.audio.currentTime + 0.03, this.zeroAudio);
      const at = this.songAt(now);
      this.silence(now);
      this.zeroAudio = now;
      this.zeroSong = at;
      this.rate = rate;
      this.next = this.indexAt(at);
      this.schedule();
    } else {
      this.rate = rate;
    }
  }

  /** Another moment of the song is heard from now on, without a break. @param {number} to seconds */
  jumpTo(to) {
    if (!this.playing || !this.audio) {
      this.zeroSong = to;
      return;
    }
    const now = Math.max(this.audio.currentTime + 0.03, this.zeroAudio);
    const at = to + ((now - this.audio.currentTime + this.latency()) * this.rate);
    this.silence(now);
    this.zeroAudio = now;
    this.zeroSong = at;
    this.next = this.indexAt(at);
    this.schedule();
  }

  /** @param {string} bus @param {number} level from 0 to 1 */
  setMix(bus, level) {
    this.mix[bus] = level;
    if (this.buses[bus] && this.audio) {
      this.buses[bus].gain.setTargetAtTime(level, this.audio.currentTime, 0.02);
    }
  }

  schedule() {
    if (!this.playing || !this.audio) {
      return;
    }
    const now = this.audio.currentTime;
    const until = now + (document.hidden ? aheadHidden : ahead);
    while (this.next < this.notes.length) {
      const note = this.notes[this.next];
      const when = this.audioAt(note.at);
      if (when > until) {
        break;
      }
      if (when >= now) {
        this.sound(note, when);
      }
      this.next++;
    }
    this.handed = Math.max(this.handed, until);
    this.underWay = this.underWay.filter((u) => u.when > now - 3);
    if (this.songAt(now) > this.end + 0.1) {
      this.playing = false;
      this.zeroSong = 0;
      clearInterval(this.pump);
      this.done();
    }
  }

  /** Takes back what would sound at or after a moment. @param {number} from audio-clock time */
  silence(from) {
    for (const { node, when } of this.underWay) {
      if (when >= from) {
        node.stop(0);
        node.disconnect();
      }
    }
    this.underWay = this.underWay.filter((u) => u.when < from);
    this.handed = from;
  }

  /** @param {Note} note @param {number} when */
  sound(note, when) {
    const bus = note.voice === 'click' || note.voice === 'beat' || note.voice === 'bass' || note.voice === 'tune' ? note.voice : 'drums';
    if (this.mix[bus] <= 0) {
      return;
    }
    const length = Math.max(0.03, note.length / this.rate);
    switch (note.voice) {
      case 'click':
      case 'beat': this.tone(bus, note.strong ? 1320 : note.pitch || 880, 'sine', when, 0.06, note.strong ? 0.5 : 0.28); break;
      case 'kick': this.tone('drums', 120, 'sine', when, 0.14, note.strong ? 0.95 : 0.7, 46); break;
      case 'snare': this.noise(when, 0.11, 1400, 0.32); break;
      case 'hat': this.noise(when, 0.035, 7000, note.strong ? 0.2 : 0.13); break;
      case 'bass': this.tone('bass', 55 * 2 ** (note.pitch / 12), 'triangle', when, length, 0.5); break;
      default: this.tone('tune', 55 * 2 ** (note.pitch / 12), 'triangle', when, length, note.strong ? 0.3 : 0.22);
    }
  }

  /** @param {string} bus @param {number} pitch @param {OscillatorType} kind @param {number} when @param {number} length @param {number} level @param {number} [falls] */
  tone(bus, pitch, kind, when, length, level, falls) {
    const audio = /** @type {AudioContext} */ (this.audio);
    const node = audio.createOscillator();
    const gain = audio.createGain();
    node.type = kind;
    node.frequency.setValueAtTime(pitch, when);
    if (falls) {
      node.frequency.exponentialRampToValueAtTime(falls, when + 0.09);
    }
    gain.gain.setValueAtTime(level, when);
    gain.gain.exponentialRampToValueAtTime(0.001, when + length);
    node.connect(gain).connect(this.buses[bus]);
    node.start(when);
    node.stop(when + length + 0.01);
    this.underWay.push({ node, when });
  }

  /** @param {number} when @param {number} length @param {number} above Hz below which it is silent @param {number} level */
  noise(when, length, above, level) {
    const audio = /** @type {AudioContext} */ (this.audio);
    this.hiss ??= hissOf(audio);
    const node = audio.createBufferSource();
    const filter = audio.createBiquadFilter();
    const gain = audio.createGain();
    node.buffer = this.hiss;
    filter.type = 'highpass';
    filter.frequency.value = above;
    gain.gain.setValueAtTime(level, when);
    gain.gain.exponentialRampToValueAtTime(0.001, when + length);
    node.connect(filter).connect(gain).connect(this.buses.drums);
    node.start(when, 0, length + 0.02);
    this.underWay.push({ node, when });
  }
}

/** Half a second of noise, the same at every start. @param {AudioContext} audio */
function hissOf(audio) {
  const buffer = audio.createBuffer(1, audio.sampleRate / 2, audio.sampleRate);
  const data = buffer.getChannelData(0);
  let seed = 22222;
  for (let i = 0; i < data.length; i++) {
    seed = (seed * 16807) % 2147483647;
    data[i] = (seed / 1073741823) - 1;
  }
  return buffer;
}
