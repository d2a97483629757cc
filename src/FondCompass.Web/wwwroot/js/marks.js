// What happens in a lesson, kept in this browser from the first moment until the server has it: each event once and in its order. Nothing is
// reckoned here. Loaded on every page, it delivers whatever an earlier board could not.

const prefix = 'fond-marks';
const again = 3000;
const patience = 8000;
const most = 200;

/** @typedef {{ id: string, board: string, number: number, opened: number, since: number, kind: string, block: string, bite?: string, value?: number, words?: string, undoes?: string }} Told */

const account = document.querySelector('meta[name="fond-account"]')?.getAttribute('content') ?? '';
let token = document.querySelector('meta[name="fond-token"]')?.getAttribute('content') ?? '';

/** An id that nobody else makes; also where the page is not trusted to ask for one. */
export function newId() {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6] & 0x0f) | 0x40;
  bytes[8] = (bytes[8] & 0x3f) | 0x80;
  const hex = [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}

/** @param {string} lesson */
const addressOf = (lesson) => `/lessons/${lesson}/teach`;

/** Posts JSON to a lesson's board. @param {string} lesson @param {string} handler @param {unknown} body @returns {Promise<Response | null>} null when the server is away */
export async function post(lesson, handler, body) {
  try {
    return await fetch(`${addressOf(lesson)}?handler=${handler}`, {
      method: 'POST', headers: { 'Content-Type': 'application/json', 'X-Fond-Token': token }, body: JSON.stringify(body), signal: AbortSignal.timeout(patience), redirect: 'manual',
    });
  } catch {
    return null;
  }
}

/** A page that was kept carries an old token: the server's newest one. @param {string} lesson */
async function freshToken(lesson) {
  try {
    const answer = await fetch(`${addressOf(lesson)}?fresh=1`, { cache: 'no-store', signal: AbortSignal.timeout(patience) });
    const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
    token = page.querySelector('meta[name="fond-token"]')?.getAttribute('content') ?? token;
  } catch {
    // The server is away again; the old one is tried once more later.
  }
}

/**
 * What became of events that were sent: delivered, or why not.
 * @param {string} lesson @param {Told[]} events @returns {Promise<{ how: 'kept' | 'away' | 'signed out' | 'gone' | 'full' | 'refused', refused: { id: string, why: string }[] }>}
 */
async function send(lesson, events) {
  for (let tried = 0; ; tried++) {
    const answer = await post(lesson, 'Events', { events });
    if (!answer || answer.status >= 500) {
      return { how: 'away', refused: [] };
    }
    if (answer.type === 'opaqueredirect' || answer.status === 401 || answer.status === 302) {
      return { how: 'signed out', refused: [] };
    }
    if (answer.ok) {
      return { how: 'kept', refused: (await answer.json()).refused };
    }
    if (answer.status === 400 && tried === 0) {
      await freshToken(lesson);
      continue;
    }
    return { how: answer.status === 404 ? 'gone' : answer.status === 413 ? 'full' : 'refused', refused: [] };
  }
}

/** The events of one opening of a board. */
export class Marks {
  /**
   * @param {string} lesson @param {(state: string) => void} tell called with what stands of the marks, in words; empty while all are delivered
   * @param {boolean} isRehearsal nothing is kept and nothing is sent
   */
  constructor(lesson, tell, isRehearsal = false) {
    this.lesson = lesson;
    this.tell = tell;
    this.isRehearsal = isRehearsal;
    this.board = newId();
    this.opened = Date.now() / 1000;
    this.zero = performance.now();
    this.number = 0;
    /** @type {Told[]} */
    this.all = [];
    /** @type {Told[]} */
    this.waiting = [];
    /** @type {{ id: string, why: string }[]} */
    this.refused = [];
    this.stored = true;
    this.isAway = false;
    this.sending = false;
    this.how = 'kept';
    addEventListener('online', () => this.deliver());
    setInterval(async () => {
      await this.deliver();
      if (this.how === 'kept') {
        await deliverLeft(this.board);
      }
    }, again);
  }

  get key() {
    return `${prefix} ${account} ${this.lesson} ${this.board}`;
  }

  /** Seconds since the board was opened. */
  since() {
    return (performance.now() - this.zero) / 1000;
  }

  /** @param {string} kind @param {string} block @param {Partial<Told>} [more] @returns {Told} */
  add(kind, block, more = {}) {
    const told = { id: newId(), board: this.board, number: ++this.number, opened: this.opened, since: this.since(), kind, block, ...more };
    if (this.isRehearsal) {
      return told;
    }
    this.all.push(told);
    this.waiting.push(told);
    this.keep();
    this.deliver();
    return told;
  }

  keep() {
    try {
      if (this.waiting.length > 0) {
        localStorage.setItem(this.key, JSON.stringify(this.waiting));
      } else {
        localStorage.removeItem(this.key);
      }
      this.stored = true;
    } catch {
      this.stored = false;
    }
  }

  async deliver() {
    if (this.waiting.length === 0 && this.how === 'away') {
      this.how = 'kept';
    }
    if (this.sending || this.waiting.length === 0 || this.how === 'gone' || this.how === 'full') {
      this.say();
      return;
    }
    this.sending = true;
    const batch = this.waiting.slice(0, most);
    const { how, refused } = await send(this.lesson, batch);
    this.sending = false;
    this.how = how;
    if (how === 'kept') {
      this.isAway = false;
      this.refused.push(...refused);
      this.waiting = this.waiting.filter((w) => !batch.includes(w));
      this.keep();
      if (this.waiting.length > 0) {
        this.deliver();
      }
    }
    this.say();
  }

  say() {
    const many = this.waiting.length === 1 ? '1 mark is' : `${this.waiting.length} marks are`;
    const where = this.stored ? 'kept in this browser' : 'kept in this page only, for the browser has no room left: do not close it';
    const refused = this.refused.length > 0 ? `${this.refused.length} could not be read and was not kept: ${this.refused[0].why} ` : '';
    this.tell(refused + (this.waiting.length === 0 ? (this.isAway ? 'No server: the lesson goes on by itself, and what you mark is kept here.' : '')
      : this.how === 'away' ? `No server: ${many} ${where}, and delivered when it is back.`
        : this.how === 'signed out' ? `You are signed out: ${many} ${where}. Sign in again in another tab.`
          : this.how === 'gone' ? `This lesson was taken out. ${many} ${where}; put it back under Lessons and open this board again, or save them as a file below.`
            : this.how === 'full' ? `This lesson has more events than are kept. ${many} ${where}; save them as a file below.`
              : this.how === 'refused' ? `The server does not take them: ${many} ${where}; save them as a file below.`
                : this.stored ? '' : `${many} ${where}.`));
  }

  /** Every event of this board as a file, for whoever wants to keep them otherwise. */
  file() {
    return new Blob([JSON.stringify({ lesson: this.lesson, events: this.all }, null, 2)], { type: 'application/json' });
  }
}

/** Delivers what boards that are closed could not. @param {string} [open] the board that delivers its own */
export async function deliverLeft(open = '') {
  for (const key of Object.keys(localStorage).filter((k) => k.startsWith(`${prefix} ${account} `) && !k.endsWith(open === '' ? '\0' : open))) {
    const kept = localStorage.getItem(key);
    const lesson = key.split(' ')[2];
    for (let left = /** @type {Told[]} */ (JSON.parse(kept ?? '[]')); left.length > 0; left = left.slice(most)) {
      const { how } = await send(lesson, left.slice(0, most));
      if (how !== 'kept') {
        return;
      }
    }
    // Another tab may have told more meanwhile; then it is not taken away.
    if (localStorage.getItem(key) === kept) {
      localStorage.removeItem(key);
    }
  }
}

if (account !== '' && document.getElementById('board')?.dataset.lesson === undefined) {
  deliverLeft().catch(() => {});
}
