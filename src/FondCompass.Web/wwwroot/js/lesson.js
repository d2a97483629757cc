// Leads a lesson block by block from its plan: counted blocks are played, walks are gone through by hand, the others have a clock. What
// happens is told to the server by marks.js; everything that is shown was reckoned there, so that the lesson goes on without it.
import { Conductor, notesOf, tieMix } from './conductor.js';
import { on } from './keys.js';
import { LiveCaller } from './live.js';
import { Marks, newId, post } from './marks.js';
import { clickAt, lastAt, list, paint as paintAt, put } from './painter.js';
import { Pulse } from './pulse.js';
import { ClassTeller } from './teller.js';

/** @typedef {import('./painter.js').Timeline} Timeline */
/** @typedef {{ id: string, kind: string, title: string, dance: number | null, lead: 'dance' | 'walk' | 'clock', seconds: number, repeats: number, passes: number, byPass: boolean, rate: number, toTrack: boolean, layer: string | null, walls: string[], bites: string[], say: string[], watch: string[], moves: string[], timeline: Timeline | null }} Block */
/** @typedef {{ dance: number, key: string, name: string, part: string, line: number, lastLine: number, fromCount: number, one: Timeline | null, other: Timeline | null, fromTop: Timeline | null }} Bite */
/** @typedef {{ lesson: string, group: string, minutes: number, dances: { id: string | null, title: string, hasTrack: boolean }[], blocks: Block[], known: Block[], bites: Bite[], live: import('./live.js').Live | null }} Lesson */

const board = /** @type {HTMLElement} */ (document.getElementById('board'));
const $ = (/** @type {string} */ name) => /** @type {any} */ (document.getElementById(name));
const id = board.dataset.lesson ?? '';
/** A rehearsal runs the whole board and logs nothing. */
const isRehearsal = board.dataset.rehearsal === 'yes';
const where = `fond-${isRehearsal ? 'rehearsal' : 'lesson'} ${document.querySelector('meta[name="fond-account"]')?.getAttribute('content')} ${id}`;
const ladder = [50, 60, 75, 90, 100, 110];
const levelNames = ['feet', 'hips', 'arms', 'head', 'sounds', 'body'];

/** @type {Lesson | null} */
let lesson = null;
let at = 0;
/** What is danced now: the block itself, a bite of it by itself, from the top, or a dance they know. @type {{ how: 'block' | 'bite' | 'chain' | 'known', line: Timeline | null, bite?: string, known?: number }} */
let now = { how: 'block', line: null };
let shown = 0;
let pass = 0;
let rate = 100;
/** Of a walk the step that is shown, of a list the move. */
let step = 0;
/** The leader has begun the lesson; until then no clock runs and nothing is told. */
let hasBegun = false;
let isOver = false;
let otherSide = false;
let mirrored = false;
/** Levels of the step that are shown: how it goes. */
let levelsInside = 0;
let levels = levelNames.length;
let hurried = 1;
let lastRepeat = 0;
let entered = performance.now();
let began = Date.now();
/** Seconds that the lesson had lasted when this page was opened, and when that was by a clock that nobody sets back. */
let before = 0;
let opened = performance.now();
/** @type {{ words: string, told: import('./marks.js').Told, back?: () => void }[]} */
const slips = [];
/** Notes of each dance's track. @type {Map<number, import('./conductor.js').Note[]>} */
const bands = new Map();
/** @type {any} */
let awake = null;

const conductor = new Conductor({ done: () => ended() });
tieMix(conductor);
const marks = new Marks(id, (words) => {
  put('state', words || (isRehearsal ? 'A rehearsal: nothing of it is logged.' : ''));
  $('file').hidden = !/as a file/.test(words);
}, isRehearsal);
const pulse = new Pulse({ ask: (taps) => post(id, 'Tap', taps), run: follow, say: (words) => { put('tapped', words); say(words); } });
const live = new LiveCaller({ said: (words) => put('live-said', words), offer: showMoves });
const teller = new ClassTeller(id, post, (isAway) => { marks.isAway = isAway; marks.say(); });
$('file').addEventListener('click', () => { $('file').href = URL.createObjectURL(marks.file()); });

const block = () => /** @type {Lesson} */ (lesson).blocks[at];
const isCounted = () => now.line !== null && (now.how !== 'block' || block().lead === 'dance');
/** What plays now: the block, or the dance that was called up. */
const played = () => (now.how === 'known' ? /** @type {Lesson} */ (lesson).known[now.known ?? 0] : block());
/** The block is a list of moves that is led one after the other. */
const isList = () => now.how === 'block' && block().lead === 'clock' && block().moves.length > 0;

/** The bite that is danced now: what is danced says in which part, line and count it is; before it begins, the first of it. @returns {Bite | undefined} */
function biteNow() {
  const own = lesson?.bites.filter((b) => b.dance === block().dance) ?? [];
  const keys = now.bite ? [now.bite] : block().bites;
  const { part = '', line = 0, count = 0 } = now.line?.clicks[shown] ?? {};
  if (part === '') {
    return own.find((b) => b.key === keys[0]);
  }
  const here = own.filter((b) => b.part === part && b.line <= line && line <= b.lastLine && (b.line < line || b.fromCount <= count));
  // Of a split line the later half, once it has begun; of a part danced with several endings, the one that this block has.
  const latest = here.filter((b) => b.line === here[here.length - 1].line && b.fromCount === Math.max(...here.map((h) => h.fromCount)));
  return latest.find((b) => keys.includes(b.key)) ?? latest[0];
}

function view() {
  return { mirrored, opened: levelsInside, levels: new Set(levelNames.slice(0, levels)), turned: live.isOn ? live.turned : 0 };
}

/** What is shown, to the class's screens too. */
function tellClass() {
  const current = lesson ? block() : null;
  teller.tell(() => ({
    block: at, how: now.how, bite: now.bite ?? '', known: now.known ?? 0, move: lesson && isList() ? block().moves[step] : '', other: otherSide, title: current?.title ?? '', next: lesson?.blocks[at + 1]?.title ?? '', playing: conductor.playing, walk: current?.lead === 'walk' ? step : -1,
    song: conductor.position(), rate: conductor.rate, live: live.isOn ? live.shownLine() : null,
  }));
}

function paint() {
  const line = live.isOn ? live.line : now.line;
  if (!line) {
    const { moves } = block();
    put('count', isList() ? `${step + 1} of ${moves.length}` : '');
    put('now', isList() ? moves[step] : block().title);
    put('next', (isList() ? moves[step + 1] : undefined) ?? lesson?.blocks[at + 1]?.title ?? 'the end');
    for (const name of ['deed', 'phase', 'wall', 'facing', 'ahead', 'cue-count', 'mind', 'beside', 'left']) {
      put(name, '');
    }
    list('layers', []);
    return;
  }
  if (!live.isOn && block().lead === 'walk' && now.how === 'block') {
    const moment = line.steps[step]?.at ?? 0;
    shown = clickAt(line, moment + 0.001);
    paintAt(line, shown, moment, view());
  } else {
    const moment = conductor.playing ? conductor.position() : Math.max(conductor.position(), line.clicks[shown]?.at ?? 0);
    shown = clickAt(line, moment);
    paintAt(line, shown, moment, view());
  }
  const lit = biteNow()?.key ?? '';
  for (const chip of $('map').children) {
    chip.classList.toggle('lit', chip.dataset.key === lit);
  }
  const click = line.clicks[shown];
  put('left', live.isOn || block().lead !== 'dance' || now.how !== 'block' ? '' : leftOf(click?.repeat ?? 0));
}

/** @param {number} repeat */
function leftOf(repeat) {
  const { repeats, passes, byPass } = block();
  const [done, all] = byPass ? [pass, passes] : [(pass * repeats) + Math.max(0, repeat - 1), passes * repeats];
  return all - done > 1 ? `${all - done} times` : 'last time';
}

/** @param {number} seconds */
const clock = (seconds) => `${seconds < 0 ? '−' : ''}${Math.floor(Math.abs(seconds) / 60)}:${String(Math.floor(Math.abs(seconds)) % 60).padStart(2, '0')}`;

function showTime() {
  if (!lesson) {
    return;
  }
  if (!hasBegun) {
    put('block-left', '');
    put('lesson-left', `${lesson.minutes} min, not begun`);
    return;
  }
  const inBlock = (performance.now() - entered) / 1000 * hurried;
  const planned = lesson.blocks.slice(0, at).reduce((sum, b) => sum + b.seconds, 0);
  put('block-left', isOver ? '' : `${clock(block().seconds - inBlock)} for this`);
  const taken = (before + ((performance.now() - opened) / 1000)) * hurried;
  const late = Math.round((taken - planned - Math.min(inBlock, block().seconds)) / 60);
  put('lesson-left', isOver ? '' : `${clock(Math.max(0, (lesson.minutes * 60) - taken))} left${late >= 2 ? `, ${late} min behind` : late <= -2 ? `, ${-late} min to spare` : ''}`);
}

function frame() {
  if (!conductor.playing) {
    return;
  }
  if (live.isOn) {
    live.follow(conductor);
  }
  paint();
  countRepeats();
  requestAnimationFrame(frame);
}

/** A repeat that was danced to its end is told. */
function countRepeats() {
  const repeat = now.line?.clicks[shown]?.repeat ?? 0;
  if (repeat > lastRepeat) {
    if (lastRepeat > 0 && now.how === 'block' && !live.isOn && !block().byPass) {
      told('repeat', { value: rate });
    }
    lastRepeat = repeat;
  }
}

/** @param {string} kind @param {Partial<import('./marks.js').Told>} [more] */
function told(kind, more = {}) {
  return marks.add(kind, lesson ? block().id : '', more);
}

/** @param {string} words @param {import('./marks.js').Told} event @param {() => void} [back] */
function slip(words, event, back) {
  slips.push({ words, told: event, back });
  $('undo').disabled = false;
  say(words);
}

let saidUntil = 0;

/** Says what was just done, for a while. @param {string} words */
function say(words) {
  put('said', words);
  clearTimeout(saidUntil);
  saidUntil = words === '' ? 0 : window.setTimeout(() => put('said', ''), 5000);
}

/** The timeline was danced through. */
function ended() {
  if (live.isOn) {
    return;
  }
  if (now.how === 'known') {
    pass++;
    if (pass < played().passes) {
      play(0);
    } else {
      again();
      say('danced; the lesson goes on where it was');
    }
    return;
  }
  if (now.how !== 'block') {
    // A bite by itself goes round until something else is asked for.
    play(0);
    return;
  }
  told('repeat', { value: rate });
  pass++;
  lastRepeat = 0;
  if (pass < block().passes) {
    play(0);
    return;
  }
  told('pause');
  document.body.classList.remove('dancing');
  shown = Math.max(0, (now.line?.clicks.length ?? 1) - 1);
  put('go-word', at + 1 < /** @type {Lesson} */ (lesson).blocks.length ? 'On to the next' : 'End the lesson');
  say('done');
  tellClass();
}

/** @param {number} from seconds on the timeline @param {boolean} [quiet] goes on, and is not told as a beginning */
async function play(from, quiet = false) {
  const line = live.isOn ? live.line : now.line;
  if (!line) {
    return;
  }
  begin();
  loadSound(line);
  lastRepeat = line.clicks[clickAt(line, from)]?.repeat ?? 0;
  const first = from <= 0 ? Math.min(0, line.clicks[0]?.at ?? 0) : from;
  conductor.setRate(speedOf(line));
  await conductor.play(first);
  if (!quiet) {
    told('play', { value: rate });
  }
  put('go-word', 'Pause');
  document.body.classList.add('dancing');
  tellClass();
  requestAnimationFrame(frame);
}

/** @param {Timeline} line */
function loadSound(line) {
  const isMusic = !live.isOn && (now.how === 'block' || now.how === 'known') && played().toTrack;
  const clicks = pulse.isOn ? [] : line.clicks.filter((c) => !c.isHalf).map((c) => ({ at: c.at, length: 0.06, voice: isMusic && !c.isCountIn ? 'click' : 'beat', pitch: c.isCountIn ? 660 : 880, strong: c.isFirst }));
  const band = isMusic && !pulse.isOn ? (bands.get(played().dance ?? 0) ?? []).filter((n) => n.at < line.end) : [];
  conductor.load([...band, ...clicks].sort((a, b) => a.at - b.at), live.isOn ? Number.POSITIVE_INFINITY : line.end);
}

function pause() {
  if (conductor.playing) {
    conductor.pause();
    told('pause');
  }
  put('go-word', 'Start');
  document.body.classList.remove('dancing');
  say('paused');
  tellClass();
}

/** The lesson begins when its leader begins it: from here on its clocks run, and what happens is told. @returns {boolean} whether it was begun just now */
function begin() {
  if (hasBegun || !lesson) {
    return false;
  }
  hasBegun = true;
  [entered, opened, began] = [performance.now(), performance.now(), Date.now()];
  told('enter');
  remember();
  put('go-word', wordOfGo());
  showTime();
  return true;
}

/** What the one key does in this block. */
function wordOfGo() {
  const { lead, moves } = block();
  return lead === 'dance' ? 'Start' : lead === 'walk' ? 'Next step' : step + 1 < moves.length ? 'Next move' : 'Done: on to the next';
}

/** Where the lesson stands is kept for a reload. */
function remember() {
  try {
    localStorage.setItem(where, JSON.stringify({ block: block().id, began, hasBegun }));
  } catch {
    // Without room the lesson begins at its first block after a reload; the marks say so already.
  }
}

/** Opens a block. @param {number} index @param {boolean} [quiet] nothing is told of it */
function enter(index, quiet = false) {
  if (!lesson) {
    return;
  }
  if (conductor.playing) {
    conductor.pause();
  }
  live.stop();
  $('live').hidden = true;
  $('map').hidden = false;
  document.body.classList.remove('dancing');
  at = Math.max(0, Math.min(lesson.blocks.length - 1, index));
  const current = block();
  now = { how: 'block', line: current.timeline };
  [shown, pass, step, lastRepeat, otherSide, isOver] = [0, 0, 0, 0, false, false];
  conductor.zeroSong = now.line?.clicks[0]?.at ?? 0;
  entered = performance.now();
  rate = Math.round(current.rate);
  put('rate', current.lead === 'dance' ? rateWords() : '');
  put('block-title', `${at + 1} of ${lesson.blocks.length}: ${current.title}`);
  put('go-word', hasBegun ? wordOfGo() : 'Begin the lesson');
  $('words').replaceChildren(...[...[...new Set(current.moves.length > 0 ? [] : current.say)].map((w) => ['say', w]), ...current.watch.map((w) => ['watch', w])].map(([kind, w]) => Object.assign(document.createElement('p'), { className: kind, textContent: w })));
  document.body.dataset.lead = current.lead;
  $('map').replaceChildren(...lesson.bites.filter((b) => b.dance === (current.dance ?? 0)).map((b) => {
    const chip = Object.assign(document.createElement('li'), { textContent: b.name });
    chip.dataset.key = b.key;
    chip.classList.toggle('in', current.bites.includes(b.key));
    return chip;
  }));
  if (!quiet && hasBegun) {
    told('enter');
  }
  remember();
  loadSoundOf(current);
  paint();
  say('');
  showTime();
  tellClass();
}

/** @param {Block} current */
function loadSoundOf(current) {
  if (current.timeline) {
    loadSound(current.timeline);
  }
}

/** Counts a minute at full tempo. @param {Timeline} line */
const fullOf = (line) => line.bpm * 100 / line.ratePercent;

/** How fast the timeline goes: by the rate, or with the music from elsewhere. @param {Timeline} line */
const speedOf = (line) => (pulse.isOn ? pulse.bpm / fullOf(line) : rate / 100) * hurried;

function rateWords() {
  const line = live.isOn ? live.line : now.line;
  return `${rate} %${line ? `, ${Math.round(fullOf(line) * rate / 10) / 10} a minute` : ''}`;
}

/** The one key: whatever comes next here. */
function go() {
  if (!lesson) {
    load();
    return;
  }
  if (isOver) {
    return;
  }
  if (begin() && block().lead !== 'dance') {
    return;
  }
  if (live.isOn || now.how !== 'block') {
    if (conductor.playing) {
      pause();
    } else {
      play(conductor.position());
    }
    return;
  }
  const current = block();
  if (current.lead === 'walk') {
    if (step + 1 < (now.line?.steps.length ?? 0)) {
      step++;
      paint();
      put('go-word', step + 1 < (now.line?.steps.length ?? 0) ? 'Next step' : 'Done: on to the next');
      tellClass();
    } else {
      done();
    }
  } else if (isList() && step + 1 < current.moves.length) {
    step++;
    paint();
    put('go-word', wordOfGo());
    tellClass();
  } else if (current.lead === 'clock') {
    done();
  } else if (conductor.playing) {
    pause();
  } else if (pass >= current.passes) {
    done();
  } else {
    play(conductor.position());
  }
}

/** The block is done; the next one. */
function done() {
  begin();
  const was = at;
  slip('done', told('done'), () => enter(was));
  onTo(at + 1);
}

/** @param {number} index */
function onTo(index) {
  if (lesson && index >= lesson.blocks.length) {
    close();
  } else {
    enter(index);
  }
}

function skip() {
  if (!lesson || isOver) {
    return;
  }
  begin();
  const was = at;
  slip('left out', told('skip'), () => enter(was));
  onTo(at + 1);
}

function close() {
  if (conductor.playing) {
    conductor.pause();
  }
  document.body.classList.remove('dancing');
  slip('the lesson is over', marks.add('close', ''), () => enter(at));
  isOver = true;
  now = { how: 'block', line: null };
  paint();
  put('count', '');
  put('now', 'The lesson is over');
  put('next', '');
  put('go-word', 'It is over');
  const link = Object.assign(document.createElement('a'), { href: `/lessons/${id}`, textContent: 'What happened', className: 'button' });
  $('words').replaceChildren(link);
  tellClass();
}

/** One back: a step of a walk, this eight, or the block before. */
function back() {
  if (!lesson || isOver) {
    return;
  }
  if (block().lead === 'walk' && now.how === 'block' && step > 0) {
    step--;
    put('go-word', 'Next step');
    paint();
    tellClass();
    return;
  }
  const line = now.line;
  if (isCounted() && line && !live.isOn && (shown > 0 || pass > 0)) {
    // Back to this eight's first count, or to the one before when it has just begun.
    let to = line.clicks[shown]?.isFirst ? shown - 1 : shown;
    while (to > 0 && !line.clicks[to].isFirst && !(line.clicks[to].isCountIn && (to === 0 || !line.clicks[to - 1].isCountIn))) {
      to--;
    }
    seek(line.clicks[Math.max(0, to)].at);
    return;
  }
  enter(at - 1);
}

/** @param {number} to seconds on the timeline */
function seek(to) {
  if (conductor.playing) {
    play(to, true);
  } else {
    conductor.zeroSong = to;
    shown = now.line ? clickAt(now.line, to) : 0;
    paint();
    tellClass();
  }
}

/** The block once more from its beginning. */
function again() {
  if (!lesson || isOver) {
    return;
  }
  const was = conductor.playing;
  now = { how: 'block', line: block().timeline };
  const isBack = live.isOn || rate !== Math.round(block().rate);
  [pass, step, otherSide, rate] = [0, 0, false, isBack ? Math.round(block().rate) : rate];
  conductor.zeroSong = now.line?.clicks[0]?.at ?? 0;
  if (was && now.line && !isBack) {
    play(0, true);
  } else {
    paint();
    put('go-word', wordOfGo());
  }
  put('rate', block().lead === 'dance' ? rateWords() : '');
  tellClass();
}

/** A dance they know is danced here and now; then the lesson goes on where it was. @param {number} which */
async function callUp(which) {
  const dance = lesson?.known[which];
  if (!lesson || isOver || !dance?.timeline) {
    return;
  }
  begin();
  if (conductor.playing) {
    conductor.pause();
  }
  live.stop();
  $('live').hidden = true;
  now = { how: 'known', line: dance.timeline, known: which };
  [pass, shown, rate] = [0, 0, 100];
  put('rate', rateWords());
  told('call', { words: dance.title });
  await fetchBand(dance.dance ?? 0);
  play(0, true);
  say(`${dance.title}; A goes back to the lesson`);
}

/** Only the bite that is danced now, round and round; or back to the block. @param {'bite' | 'chain'} how */
function only(how) {
  const bite = lesson && !isOver ? biteNow() : undefined;
  if (!bite) {
    say('no bite is danced here');
    return;
  }
  const was = conductor.playing;
  if (now.how === how) {
    again();
    return;
  }
  const line = how === 'chain' ? bite.fromTop ?? bite.one : bite.one;
  if (!line) {
    return;
  }
  now = { how, line, bite: bite.key };
  otherSide = false;
  conductor.zeroSong = line.clicks[0]?.at ?? 0;
  say(how === 'chain' ? `from the top to ${bite.name}` : `only ${bite.name}`);
  if (was) {
    play(0);
  } else {
    paint();
    put('go-word', 'Start');
  }
  put('rate', rateWords());
  tellClass();
}

/** The other side of the bite, by itself. */
function other() {
  const bite = lesson && !isOver ? biteNow() : undefined;
  if (!bite?.other || !bite.one) {
    say('nothing here has another side');
    return;
  }
  otherSide = !otherSide;
  now = { how: 'bite', line: otherSide ? bite.other : bite.one, bite: bite.key };
  conductor.zeroSong = now.line?.clicks[0]?.at ?? 0;
  say(otherSide ? `${bite.name}, other side` : `only ${bite.name}`);
  if (conductor.playing) {
    play(0);
  } else {
    paint();
    put('go-word', 'Start');
  }
  tellClass();
}

/** The block was danced clean: all of it but what is marked as lost. */
function clean() {
  if (!lesson || isOver) {
    return;
  }
  if (block().lead !== 'dance' || block().kind === 'show' || block().bites.length === 0) {
    say('only what the class dances is clean');
    return;
  }
  begin();
  slip(`clean at ${rate} %`, told('clean', { value: rate }));
}

function trouble() {
  if (!lesson || isOver) {
    return;
  }
  const bite = biteNow();
  if (!bite) {
    say('no bite is danced here');
    return;
  }
  begin();
  slip(`trouble: ${bite.name}`, told('trouble', { bite: bite.key }));
  [...$('map').children].find((c) => c.dataset.key === bite.key)?.classList.add('weak');
}

/** The last slip is taken back. */
function undo() {
  const last = slips.pop();
  $('undo').disabled = slips.length === 0;
  if (!last) {
    say('nothing to take back');
    return;
  }
  marks.add('undo', last.told.block, { undoes: last.told.id });
  if (last.told.kind === 'trouble' && !slips.some((s) => s.told.kind === 'trouble' && s.told.bite === last.told.bite)) {
    [...$('map').children].find((c) => c.dataset.key === last.told.bite)?.classList.remove('weak');
  }
  last.back?.();
  say(`taken back: ${last.words}`);
}

/** @param {number} to percent */
function setRate(to) {
  const wanted = Math.max(ladder[0], Math.min(ladder[ladder.length - 1], Math.round(to)));
  if (wanted === rate || !lesson) {
    return;
  }
  if (pulse.isOn) {
    // Music from elsewhere is as fast as it is; the board is steered a little after it.
    pulse.bpm *= wanted > rate ? 1.01 : 1 / 1.01;
    put('rate', `${Math.round(pulse.bpm * 10) / 10} a minute, tapped`);
    const line = live.isOn ? live.line : now.line;
    if (line) {
      conductor.setRate(speedOf(line));
    }
    return;
  }
  rate = wanted;
  put('rate', rateWords());
  const line = live.isOn ? live.line : now.line;
  conductor.setRate(line ? speedOf(line) : rate / 100 * hurried);
  tellClass();
}

/** The next rung of the ladder. @param {number} way */
function changeRate(way) {
  const next = way > 0 ? ladder.find((r) => r > rate) : ladder.findLast((r) => r < rate);
  if (next) {
    setRate(next);
  }
}

/** @param {number} by */
function changeLevels(by) {
  levels = Math.max(1, Math.min(levelNames.length, levels + by));
  const words = levelNames.slice(0, levels).join(', ');
  put('levels', `Danced: ${words}`);
  told('levels', { words });
  paint();
}

/**
 * The board runs with music from elsewhere.
 * @param {{ bpm: number, moment: number } | null} beat null: as the band plays again; moment: seconds on the page's clock of a beat
 * @param {'beat' | 'one' | number} what a beat is set, the 1 is set, or so many counts are added
 */
function follow(beat, what) {
  const line = live.isOn ? live.line : now.line;
  if (!line || !lesson) {
    say('nothing is counted in this block');
    return;
  }
  $('keep-track').disabled = !pulse.isOn;
  $('band').hidden = !pulse.isOn;
  const full = fullOf(line);
  const first = line.clicks.findIndex((c) => !c.isCountIn);
  if (!conductor.playing) {
    if (what === 'beat' && beat) {
      // Four were tapped: that was the count-in, and the 1 comes with the next beat.
      play(line.clicks[Math.max(0, first)].at, false).then(() => follow(beat, 'beat'));
    }
    return;
  }
  loadSound(line);
  if (beat) {
    rate = Math.round(beat.bpm / full * 100);
    put('rate', `${Math.round(beat.bpm * 10) / 10} a minute, tapped`);
    told('tap', { value: beat.bpm });
  }
  const factor = (beat ? beat.bpm / full : conductor.rate / hurried) * hurried;
  const here = conductor.position();
  const click = line.clicks[clickAt(line, here)];
  const counted = line.clicks.filter((c) => !c.isHalf);
  let to = here;
  if (what === 'one') {
    // The nearest first count of an eight is now.
    const ones = counted.filter((c) => c.isFirst);
    to = ones.reduce((best, c) => (Math.abs(c.at - here) < Math.abs(best.at - here) ? c : best), ones[0] ?? click).at;
  } else if (what === 'beat' && beat) {
    // At that moment a count was struck: the nearest of the board's is put there.
    const then = here + ((beat.moment - performance.now() / 1000) * factor);
    const nearest = counted[Math.max(0, lastAt(counted, then))];
    const after = counted[Math.max(0, lastAt(counted, then)) + 1];
    const struck = after && Math.abs(after.at - then) < Math.abs(nearest.at - then) ? after : nearest;
    to = here + (struck.at - then);
  } else if (typeof what === 'number') {
    to = here + (what * 60 / full);
  }
  conductor.setRate(factor);
  conductor.jumpTo(to);
  tellClass();
}

/** @param {import('./live.js').Move[]} moves @param {string[]} not why others cannot come next */
function showMoves(moves, not) {
  put('not-now', not.length > 0 ? `Not next: ${not.join('; ')}.` : '');
  $('moves').replaceChildren(...moves.map((m, i) => {
    const button = document.createElement('button');
    button.type = 'button';
    button.textContent = i < 9 ? `${i + 1} ${m.name}` : m.name;
    button.addEventListener('click', () => callMove(m));
    return button;
  }));
}

/** @param {import('./live.js').Move | undefined} move */
function callMove(move) {
  if (!live.isOn || !move) {
    return;
  }
  live.call(move);
  told('call', { words: move.name });
}

/** Moves are called without an order, or the plan goes on. */
function toggleLive() {
  if (!lesson || isOver) {
    return;
  }
  if (live.isOn) {
    enter(at);
    return;
  }
  if (!lesson.live || lesson.live.moves.length === 0) {
    say('no move is known that can be called; choose another source below');
  }
  if (conductor.playing) {
    conductor.pause();
  }
  $('live').hidden = false;
  $('map').hidden = true;
  live.start(lesson.live);
  put('live-said', live.words());
  conductor.zeroSong = 0;
  put('go-word', 'Start');
  put('block-title', 'Called live');
  paint();
}

$('live-source').addEventListener('change', () => { $('live-list').hidden = $('live-source').value !== 'list'; });
$('live-from').addEventListener('submit', async (/** @type {Event} */ event) => {
  event.preventDefault();
  try {
    const answer = await fetch(`/lessons/${id}/teach?handler=Moves&from=${$('live-source').value}&list=${encodeURIComponent($('live-list').value)}`, { signal: AbortSignal.timeout(8000) });
    const taken = /** @type {import('./live.js').Live} */ (await answer.json());
    const { leftOut } = taken;
    if (taken.moves.length === 0) {
      put('live-said', `Nothing of that can be called${leftOut.length > 0 ? `: ${leftOut.join(', ')} cannot be read as steps of an eight` : ''}.`);
      return;
    }
    live.take(taken);
    put('live-said', live.words());
  } catch {
    put('live-said', 'The server does not answer; the moves stay as they are.');
  }
});

$('tell').addEventListener('submit', (/** @type {Event} */ event) => {
  event.preventDefault();
  const heads = $('heads').value.trim();
  const note = $('note').value.trim();
  if (heads !== '' && !/^[0-9]{1,4}$/.test(heads)) {
    say(`'${heads}' is no number of dancers`);
    return;
  }
  if (heads !== '') {
    slip(`${heads} dancers`, told('heads', { value: Number(heads) }));
  }
  if (note !== '') {
    slip('note kept', told('note', { words: note }));
    $('note').value = '';
  }
  /** @type {HTMLElement} */ (document.activeElement)?.blur();
});

$('known-form').addEventListener('submit', (/** @type {Event} */ event) => {
  event.preventDefault();
  /** @type {HTMLElement} */ (document.activeElement)?.blur();
  callUp(Number($('known').value));
});

$('screen').addEventListener('click', async () => {
  const answer = await post(id, 'Code', {});
  if (!answer?.ok) {
    put('screen-said', 'The server does not answer; a screen in this browser can be opened once it is back.');
    return;
  }
  const { code, address, until } = await answer.json();
  const link = Object.assign(document.createElement('a'), { href: address, target: '_blank', rel: 'opener', textContent: `Open it here` });
  $('screen-said').replaceChildren(link, ` or, on another screen: ${location.host}/class/${code}, until ${new Date(until).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}.`);
});

$('keep-track').addEventListener('click', async () => {
  const answer = await post(id, 'Track', { bpm: pulse.bpm, counts: Math.max(8, Math.round(now.line ? now.line.clicks.filter((c) => !c.isCountIn && !c.isHalf).length : 64)) });
  put('tapped', answer?.ok ? `Kept as '${(await answer.json()).title}' among your tracks.` : 'It could not be kept: the server does not answer.');
});
$('band').addEventListener('click', () => {
  pulse.stop();
  $('band').hidden = true;
  $('keep-track').disabled = true;
  put('tapped', '');
  rate = Math.round(block().rate);
  setTimeout(() => conductor.playing && play(conductor.position(), true));
  put('rate', rateWords());
});

/** @param {string} name */
function field(name) {
  /** @type {HTMLDetailsElement} */ (document.querySelector('.lesson-more')).open = true;
  $(name).focus();
}

function open() {
  levelsInside++;
  paint();
}

function mirror() {
  mirrored = !mirrored;
  $('mirror').setAttribute('aria-pressed', String(mirrored));
  say(mirrored ? 'mirrored, as seen facing the class' : 'as the class sees it');
  paint();
}

/** @type {Record<string, () => void>} */
const buttons = {
  go, back, on: () => (block().lead === 'dance' && pass === 0 && shown === 0 ? onTo(at + 1) : done()), trouble, clean, skip, again, bite: () => only('bite'), chain: () => only('chain'), other, mirror, undo, close, open,
  slower: () => changeRate(-1), faster: () => changeRate(1), lower: () => changeLevels(-1), raise: () => changeLevels(1), call: toggleLive,
  tap: () => pulse.tap(performance.now() / 1000), one: () => follow(null, 'one'), earlier: () => follow(null, -0.5), later: () => follow(null, 0.5), 'earlier-one': () => follow(null, -1), 'later-one': () => follow(null, 1),
};
for (const [name, deed] of Object.entries(buttons)) {
  $(name).addEventListener('click', () => {
    if (lesson && (!isOver || name === 'undo')) {
      deed();
    } else if (name === 'go') {
      go();
    }
  });
}

/** Keys do nothing before the lesson is there. @param {() => void} deed */
const whenHere = (deed) => () => {
  if (lesson && !isOver) {
    deed();
  }
};
on('Lesson', {
  Space: go, 'Page Down': go, '→': whenHere(buttons.on), '←': back, 'Page Up': back, '↑': () => changeRate(1), '↓': () => changeRate(-1), '+': () => setRate(rate + 1), '-': () => setRate(rate - 1),
  A: again, B: whenHere(() => only('bite')), C: whenHere(() => only('chain')), O: whenHere(other), M: mirror, I: open, T: trouble, G: clean, D: whenHere(() => field('known')), S: skip, U: undo, 'Ctrl Z': undo, '[': whenHere(() => changeLevels(-1)), ']': whenHere(() => changeLevels(1)),
  L: toggleLive, P: whenHere(buttons.tap), Enter: whenHere(buttons.one), ',': whenHere(buttons.earlier), '.': whenHere(buttons.later), '<': whenHere(buttons['earlier-one']), '>': whenHere(buttons['later-one']),
  '?': () => window.open('/help#keys', '_blank'), H: () => field('heads'), N: () => field('note'),
  ...Object.fromEntries([...'123456789'].map((digit) => [digit, () => callMove(live.offered[Number(digit) - 1])])),
});
// Pressed with a finger or a mouse, a button gives the keys back to the board.
board.addEventListener('click', (event) => {
  if (event.detail > 0 && event.target instanceof Element) {
    /** @type {HTMLElement | null} */ (event.target.closest('button, summary'))?.blur();
  }
});

/** The screen stays lit while the board is looked at. */
async function stayAwake() {
  if (document.visibilityState === 'visible' && 'wakeLock' in navigator) {
    try {
      awake = await navigator.wakeLock.request('screen');
    } catch {
      awake = null;
    }
  }
}
document.addEventListener('visibilitychange', stayAwake);

let isLoading = false;

/** What could not be fetched is fetched again by itself after so many milliseconds. */
const retryAfter = 2000;

/** The next try by itself; one at a time, however often Start is pressed. */
let retry = 0;

/** @param {string} why */
function loadLater(why) {
  put('block-title', `${why} It is tried again every two seconds; Start tries at once.`);
  clearTimeout(retry);
  retry = setTimeout(load, retryAfter);
}

async function load() {
  if (isLoading || lesson) {
    return;
  }
  isLoading = true;
  try {
    const answer = await fetch(board.dataset.source ?? '', { signal: AbortSignal.timeout(20000) });
    if (answer.redirected) {
      put('block-title', 'You are signed out. Sign in, then open the lesson again.');
      return;
    }
    if (!answer.ok) {
      if (answer.status === 404) {
        put('block-title', 'The dance of this lesson was deleted; bring it back, then open the lesson again.');
      } else {
        loadLater('The lesson cannot be fetched yet.');
      }
      return;
    }
    lesson = await answer.json();
  } catch {
    loadLater('The server does not answer, and this lesson was not opened in this browser before.');
    return;
  } finally {
    isLoading = false;
    board.dataset.ready = 'yes';
  }
  const kept = JSON.parse(localStorage.getItem(where) ?? '{}');
  const open = /** @type {Lesson} */ (lesson).blocks.findIndex((b) => b.id === kept.block);
  // What was begun longer ago than any lesson lasts is begun anew.
  began = open >= 0 && Date.now() - kept.began < 9 * 3600e3 && kept.began <= Date.now() ? kept.began : Date.now();
  hasBegun = open >= 0 && began === kept.began && kept.hasBegun === true;
  before = hasBegun ? (Date.now() - began) / 1000 : 0;
  enter(open >= 0 && began === kept.began ? open : 0);
  if (isRehearsal) {
    put('state', 'A rehearsal: nothing of it is logged.');
  }
  $('known').replaceChildren(...['a dance they know', .../** @type {Lesson} */ (lesson).known.map((b) => b.title)].map((t, i) => Object.assign(document.createElement('option'), { value: String(i - 1), textContent: t })));
  $('known-form').hidden = /** @type {Lesson} */ (lesson).known.length === 0;
  setInterval(showTime, 500);
  stayAwake();
  keepForOffline();
  await Promise.all(/** @type {Lesson} */ (lesson).dances.map((_, i) => (lesson?.blocks.some((b) => b.dance === i && b.toTrack) ? fetchBand(i) : undefined)));
}

/** The band's notes for a dance's track, once. @param {number} index */
async function fetchBand(index) {
  const dance = lesson?.dances[index];
  if (!dance?.id || !dance.hasTrack || bands.has(index)) {
    return;
  }
  try {
    const answer = await fetch(`/dances/${dance.id}/fit?handler=Score`, { signal: AbortSignal.timeout(20000) });
    if (answer.ok) {
      bands.set(index, notesOf(await answer.json()).filter((n) => n.voice !== 'click'));
    }
  } catch {
    // Without the band the counts are heard all the same.
  }
}

const noKeeping = 'This browser keeps no pages here: without a network the lesson runs on, but do not reload.';

/** Page, times and band stay in this browser, so that a reload without a network works. */
async function keepForOffline() {
  if (!('serviceWorker' in navigator)) {
    put('kept', noKeeping);
    return;
  }
  try {
    await navigator.serviceWorker.register('/sw.js');
    const worker = await navigator.serviceWorker.ready;
    const addresses = [location.pathname, board.dataset.source ?? '', ...performance.getEntriesByType('resource').map((e) => e.name).filter((n) => n.startsWith(location.origin)).map((n) => n.slice(location.origin.length)),
      ...[...document.querySelectorAll('link[href], script[src]')].map((e) => e.getAttribute('href') ?? e.getAttribute('src') ?? ''),
      .../** @type {Lesson} */ (lesson).dances.filter((d) => d.id && d.hasTrack).map((d) => `/dances/${d.id}/fit?handler=Score`)];
    navigator.serviceWorker.addEventListener('message', (event) => {
      const { kept, of } = event.data ?? {};
      put('kept', kept === of ? 'Kept in this browser: a reload works without a network.' : 'Not all of it could be kept in this browser: without a network, do not reload.');
    });
    worker.active?.postMessage({ keep: [...new Set(addresses)].filter((a) => a.startsWith('/') && !a.includes('handler=Moves') && !a.startsWith('/class/')) });
  } catch {
    // Where it is not allowed, the lesson runs to its end as long as the page stays open.
    put('kept', noKeeping);
  }
}

Object.assign(window, {
  fondBoard: {
    conductor, marks, live, pulse, state: () => ({ block: lesson ? block().id : '', index: at, lead: lesson ? block().lead : '', playing: conductor.playing, rate, how: now.how, pass, step, isOver, position: conductor.position() }),
    hurry: (/** @type {number} */ by) => { hurried = by; marks.setSpeed(by); conductor.setRate(rate / 100 * by); }, newId, awake: () => awake !== null,
  },
});

load();
