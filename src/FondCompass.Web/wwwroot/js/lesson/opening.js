// Fetches the lesson, by itself again until it is there, and keeps it in this browser for a reload without a network.
import { put } from '../board/painter.js';
import { stayAwake } from '../board/wake.js';
import { enter, stand } from './blocks.js';
import { recall, showTime } from './clock.js';
import { fetchBand, scoreOf } from './sound.js';
import { board, isRehearsal, lesson, state } from './state.js';
import { ofRehearsal } from './telling.js';

/** Milliseconds until what could not be fetched is fetched again by itself; and until the clocks are shown anew. */
const retryAfter = 2000;
const tick = 500;

const noKeeping = 'This browser keeps no pages here: without a network the lesson runs on, but do not reload.';

let isLoading = false;

/** The next try by itself; one at a time, however often Start is pressed. */
let retry = 0;

/** @param {string} why */
function loadLater(why) {
  put('block-title', `${why} It is tried again every two seconds; Start tries at once.`);
  clearTimeout(retry);
  retry = window.setTimeout(load, retryAfter);
}

export async function load() {
  if (isLoading || state.lesson) {
    return;
  }
  isLoading = true;
  try {
    state.lesson = await fetched();
  } catch {
    loadLater('The server does not answer, and this lesson was not opened in this browser before.');
  } finally {
    isLoading = false;
    board.dataset.ready = 'yes';
  }
  if (state.lesson) {
    await begun();
  }
}

/** @returns {Promise<import('./state.js').Lesson | null>} null where it does not come; why is said */
export async function fetched() {
  const answer = await fetch(board.dataset.source ?? '', { signal: AbortSignal.timeout(20000) });
  if (answer.redirected) {
    put('block-title', 'You are signed out. Sign in, then open the lesson again.');
  } else if (answer.status === 404) {
    put('block-title', 'The dance of this lesson was deleted; bring it back, then open the lesson again.');
  } else if (!answer.ok) {
    loadLater('The lesson cannot be fetched yet.');
  } else {
    return answer.json();
  }
  return null;
}

/** The lesson is there: the board opens where it stood. */
async function begun() {
  enter(recall());
  if (lesson().isOver && !isRehearsal) {
    stand();
  }
  if (ofRehearsal) {
    put('state', ofRehearsal);
  }
  const { dances, blocks } = lesson();
  setInterval(showTime, tick);
  stayAwake();
  keepForOffline();
  await Promise.all(dances.map((_, i) => (blocks.some((b) => b.dance === i && b.toTrack) ? fetchBand(i) : undefined)));
}

/** What the lesson needs: the page, its times, its files and its bands. */
const needed = () => [
  location.pathname, board.dataset.source ?? '',
  ...performance.getEntriesByType('resource').map((e) => e.name).filter((n) => n.startsWith(location.origin)).map((n) => n.slice(location.origin.length)),
  ...[...document.querySelectorAll('link[href], script[src]')].map((e) => e.getAttribute('href') ?? e.getAttribute('src') ?? ''),
  ...lesson().dances.flatMap((d) => (d.id && d.hasTrack ? [scoreOf(d.id)] : [])),
];

/** Page, times and band stay in this browser, so that a reload without a network works. */
async function keepForOffline() {
  if (!('serviceWorker' in navigator)) {
    put('kept', noKeeping);
    return;
  }
  try {
    await navigator.serviceWorker.register('/sw.js');
    const worker = await navigator.serviceWorker.ready;
    navigator.serviceWorker.addEventListener('message', (event) => {
      const { kept, of } = event.data ?? {};
      put('kept', kept === of ? 'Kept in this browser: a reload works without a network.' : 'Not all of it could be kept in this browser: without a network, do not reload.');
    });
    worker.active?.postMessage({ keep: [...new Set(needed())].filter((a) => a.startsWith('/') && !a.includes('handler=Moves') && !a.startsWith('/class/')) });
  } catch {
    // Where it is not allowed, the lesson runs to its end as long as the page stays open.
    put('kept', noKeeping);
  }
}
