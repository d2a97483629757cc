// Tells the class's screens what the board shows: by the server, and straight to windows of this browser. Moments are told by the server's
// clock, or in this browser by its own.

const patience = 8000;
const soon = 10;
const still = 5000;

/** Milliseconds of the server's clock less those of this page's; and how sure that is, in milliseconds. */
export async function serverClock() {
  let best = { offset: 0, within: Number.POSITIVE_INFINITY };
  for (let i = 0; i < 6; i++) {
    const before = here();
    const answer = await fetch('/class/time', { cache: 'no-store', signal: AbortSignal.timeout(patience) });
    const told = Number(await answer.text());
    const after = here();
    if (after - before < best.within) {
      best = { offset: told - ((before + after) / 2), within: after - before };
    }
  }
  return best;
}

/** Milliseconds of this page's clock, which nobody can set back while it is open. */
export const here = () => performance.timeOrigin + performance.now();

export class ClassTeller {
  /**
   * @param {string} lesson @param {(lesson: string, handler: string, body: unknown) => Promise<Response | null>} post
   * @param {(isAway: boolean) => void} [tell] called when the server is away, and when it is back
   */
  constructor(lesson, post, tell) {
    this.told = tell;
    this.lesson = lesson;
    this.post = post;
    this.channel = 'BroadcastChannel' in window ? new BroadcastChannel(`fond-class-${lesson}`) : null;
    this.offset = 0;
    this.screens = 0;
    this.number = 0;
    /** @type {(() => object) | null} */
    this.shown = null;
    this.waiting = 0;
    this.sending = false;
    this.channel?.addEventListener('message', (event) => event.data === 'asks' && this.tellHere());
    setInterval(() => this.shown && this.send(), still);
    this.meet();
  }

  async meet() {
    try {
      this.offset = (await serverClock()).offset;
    } catch {
      // Away: windows of this browser are told all the same.
    }
  }

  /** @param {() => object} shown what is shown now, asked for when it is sent */
  tell(shown) {
    this.shown = shown;
    this.tellHere();
    if (this.waiting === 0) {
      this.waiting = window.setTimeout(() => this.send(), soon);
    }
  }

  tellHere() {
    if (this.shown) {
      this.channel?.postMessage({ ...this.shown(), at: here(), number: ++this.number });
    }
  }

  async send() {
    this.waiting = 0;
    if (this.sending || !this.shown) {
      return;
    }
    this.sending = true;
    const sent = this.number;
    const answer = await this.post(this.lesson, 'Show', { ...this.shown(), at: here() + this.offset, number: ++this.number });
    this.sending = false;
    this.told?.(answer === null || answer.status >= 500);
    if (answer?.ok) {
      this.screens = (await answer.json()).windows;
    } else {
      this.meet();
    }
    if (this.number > sent + 1 && this.waiting === 0) {
      this.waiting = window.setTimeout(() => this.send(), soon);
    }
  }
}
