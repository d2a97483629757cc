// A screen for the class: the count, the step, the foot, the wall and what comes, in step with the board. It asks for nothing that the class
// does not need, and comes back by itself.
import { select, the } from '../page.js';
import { paint, put } from './painter.js';
import { here, serverClock } from './teller.js';
import { clickAt, lastAt } from './timeline.js';
import { stayAwake } from './wake.js';

/** @typedef {{ block: number, how: string, bite: string, other: boolean, title: string, next: string, playing: boolean, walk: number, whole?: number, called?: string, quarters?: number, plan?: number, move?: string, song: number, rate: number, at: number, number: number, live: import('./timeline.js').Timeline | null }} Shown */

const screen = the('screen');
const code = screen.dataset.code ?? '';
const lessonId = screen.dataset.lesson ?? '';

/** What of a lesson the class sees. @type {Pick<import('../lesson/state.js').Lesson, 'blocks' | 'whole' | 'bites' | 'plan'> | null} */
let lesson = null;
/** @type {Shown | null} */
let shown = null;
/** Dances that were called up and are none of the lesson's, by their ids; null while one is fetched. @type {Map<string, import('../lesson/state.js').Block | null>} */
const called = new Map();
let offset = 0;
let heardAt = here();
/** Words in this screen's own language: what is English on the board, and what it is here. @type {Record<string, string>} */
let words = {};

/** @returns {import('./timeline.js').Timeline | null} */
function line() {
  if (!shown || !lesson) {
    return null;
  }
  if (shown.live) {
    return shown.live;
  }
  const block = lesson.blocks[shown.block];
  if (shown.how === 'block') {
    return block?.timeline ?? null;
  }
  if (shown.how === 'whole') {
    return (shown.called ? calledUp(shown.called) : lesson.whole[shown.whole ?? 0])?.timeline ?? null;
  }
  const bite = lesson.bites.find((b) => b.dance === block?.dance && b.key === shown?.bite);
  return (shown.how === 'chain' ? bite?.fromTop ?? bite?.one : shown.other ? bite?.other : bite?.one) ?? null;
}

/** A dance that is none of the lesson's, fetched when it is shown for the first time. @param {string} id @returns {import('../lesson/state.js').Block | null} */
function calledUp(id) {
  if (!called.has(id)) {
    called.set(id, null);
    fetch(`/class/${code}?handler=Dance&dance=${id}`, { signal: AbortSignal.timeout(8000) })
      .then(async (answer) => (answer.ok ? called.set(id, await answer.json()) : Promise.reject(new Error(String(answer.status)))))
      // It is asked for again as long as it is shown.
      .catch(() => setTimeout(() => called.delete(id), 1500));
  }
  return called.get(id) ?? null;
}

/** Seconds on the timeline now. */
export const position = () => (shown ? shown.song + (shown.playing ? (here() + offset - shown.at) / 1000 * shown.rate : 0) : 0);

/** @param {string} text */
function translated(text) {
  const whole = words[text.toLowerCase()];
  return whole ?? text.replace(/[a-z][a-z-]*/gi, (w) => words[w.toLowerCase()] ?? w);
}

function show() {
  requestAnimationFrame(show);
  const quiet = here() - heardAt;
  put('state', quiet > 12000 ? 'The board is not heard; this goes on by itself when it is back.' : '');
  if (!shown) {
    return;
  }
  const current = line();
  if (!current) {
    put('count', '');
    put('now', translated(shown.move || shown.title || 'Soon it begins'));
    put('next', translated(shown.next));
    put('wall', '');
    return;
  }
  const moment = shown.walk >= 0 ? current.steps[shown.walk]?.at ?? 0 : position();
  const isBack = select('view').value === 'back';
  paint(current, clickAt(current, moment + 0.001), moment, { mirrored: select('side').value === 'mirrored', turned: isBack ? 180 : 0, quarters: shown.live ? 0 : shown.quarters ?? 0 });
  const step = current.steps[lastAt(current.steps, moment + 0.001)];
  const coming = current.steps.find((s) => s.starts && s.at > moment + 0.001);
  put('now', translated(the('now').textContent ?? ''));
  put('deed', shown.walk >= 0 ? translated(the('deed').textContent ?? '') : '');
  put('next', coming ? translated(coming.name) : translated(shown.next));
  for (const [box, foot] of [['foot-l', 'L'], ['foot-r', 'R']]) {
    the(box).classList.toggle('on', step?.foot === (select('side').value === 'mirrored' ? (foot === 'L' ? 'R' : 'L') : foot));
  }
}

let isFetching = false;

/** The rest was planned anew: the blocks are others. @param {number} plan */
async function fetchAnew(plan) {
  if (isFetching) {
    return;
  }
  isFetching = true;
  try {
    const answer = await fetch(`/class/${code}?handler=Lesson`, { signal: AbortSignal.timeout(20000) });
    // A rehearsal is kept nowhere: what is there is all there is.
    lesson = answer.ok ? { ...await answer.json(), plan } : lesson;
  } catch {
    // With the next that is told it is tried again.
  }
  isFetching = false;
}

/** @param {Shown} told @param {boolean} isHere told straight, by this browser's own clock */
function take(told, isHere) {
  heardAt = here();
  if (told.at === undefined) {
    return;
  }
  const at = isHere ? told.at + offset : told.at;
  // What was overtaken by its successor is not shown any more.
  if (!shown || at >= shown.at - 50) {
    shown = { ...told, at };
    if (lesson && told.plan !== undefined && told.plan !== lesson.plan) {
      fetchAnew(told.plan);
    }
  }
}

async function meet() {
  try {
    offset = (await serverClock()).offset;
  } catch {
    // It is tried again with the next connection.
  }
}

async function load() {
  for (;;) {
    try {
      const answer = await fetch(`/class/${code}?handler=Lesson`, { signal: AbortSignal.timeout(20000) });
      if (answer.status === 404) {
        put('now', 'This code is over. Ask for a new one.');
        return;
      }
      lesson = await answer.json();
      break;
    } catch {
      put('now', 'The board is not reached; it is tried again.');
      await new Promise((go) => setTimeout(go, 3000));
    }
  }
  await meet();
  const told = new EventSource(`/class/${code}/shown`);
  told.addEventListener('shown', (event) => take(JSON.parse(/** @type {MessageEvent} */ (event).data), false));
  told.addEventListener('still', () => { heardAt = here(); });
  told.addEventListener('open', meet);
  if ('BroadcastChannel' in window) {
    const channel = new BroadcastChannel(`fond-class-${lessonId}`);
    channel.addEventListener('message', (event) => event.data !== 'asks' && take(event.data, true));
    channel.postMessage('asks');
  }
  setInterval(meet, 60000);
  screen.dataset.ready = 'yes';
  show();
}

/** Every choice of this screen is remembered by it. */
for (const choice of ['size', 'side', 'view', 'language']) {
  const field = select(choice);
  field.value = localStorage.getItem(`fond-class-${choice}`) ?? field.value;
  const apply = async () => {
    localStorage.setItem(`fond-class-${choice}`, field.value);
    if (choice === 'size') {
      document.documentElement.style.setProperty('--size', field.value);
    } else if (choice === 'language') {
      try {
        words = field.value === 'en' ? {} : await (await fetch(`/class/${code}?handler=Words&language=${field.value}`, { signal: AbortSignal.timeout(8000) })).json();
        document.documentElement.lang = field.value;
      } catch {
        words = {};
      }
    }
  };
  field.addEventListener('change', apply);
  apply();
}

stayAwake();
load();
