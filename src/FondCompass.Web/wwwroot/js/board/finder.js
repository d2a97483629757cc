// Finds another dance from a running board: tonight's first, then the shelf's by the first letters of their titles; a digit takes one at once.
import { field, the } from '../page.js';
import { put } from './painter.js';

/** @typedef {{ title: string, about: string, id: string, place?: number }} Offer a dance by its id on the shelf, or by its place in the lesson */

/** Offers that have a digit for their key. */
const digits = 9;

/** Milliseconds for which the server may keep a hall waiting. */
const patience = 3000;

/** Words as they are compared: small, and without marks above their letters. @param {string} text */
const plain = (text) => text.toLocaleLowerCase().normalize('NFD').replace(/\p{M}/gu, '');

/** Whether every word typed begins a word of a title. @param {string} title @param {string} typed */
function begins(title, typed) {
  const words = plain(title).split(/[^\p{L}\p{N}]+/u);
  return plain(typed).split(/\s+/).every((t) => words.some((w) => w.startsWith(t)));
}

export class Finder {
  /** @param {{ tonight: () => Offer[], take: (offer: Offer) => void }} board */
  constructor(board) {
    this.board = board;
    this.dialog = the('finder', HTMLDialogElement);
    this.letters = field('finder-letters');
    /** @type {Offer[]} */
    this.offers = [];
    this.asked = 0;
    this.letters.addEventListener('input', () => this.look());
    this.dialog.addEventListener('keydown', (event) => this.press(event));
    // The keys are the board's again at once.
    this.dialog.addEventListener('close', () => {
      if (document.activeElement instanceof HTMLElement && this.dialog.contains(document.activeElement)) {
        document.activeElement.blur();
      }
    });
    this.dialog.addEventListener('click', (event) => {
      if (event.target === this.dialog) {
        this.dialog.close();
      }
    });
  }

  open() {
    this.letters.value = '';
    this.offers = [];
    the('finder-list').replaceChildren();
    this.dialog.showModal();
    this.letters.focus();
    this.look();
  }

  /** Tonight's at once, the shelf's as soon as they come; only the last that was asked for counts. */
  async look() {
    const typed = this.letters.value.trim();
    const asking = ++this.asked;
    const tonight = this.board.tonight().filter((o) => typed === '' || begins(o.title, typed));
    this.show(tonight, '');
    try {
      const answer = await fetch(`/?handler=Call&q=${encodeURIComponent(typed)}`, { signal: AbortSignal.timeout(patience), redirect: 'error' });
      if (!answer.ok) {
        throw new Error(String(answer.status));
      }
      const found = /** @type {{ id: string, title: string, counts: number, walls: number, level: string }[]} */ (await answer.json());
      if (asking === this.asked) {
        const others = found.filter((d) => !tonight.some((t) => t.id === d.id)).map((d) => ({
          id: d.id, title: d.title, about: `${d.counts} counts${d.walls > 1 ? `, ${d.walls} walls` : ''}${d.level ? `, ${d.level}` : ''}`,
        }));
        const all = [...tonight, ...others];
        this.show(all, all.length === 0 ? `No dance has a word that begins with “${typed}”. Try fewer letters.` : found.length >= digits || all.length > digits ? `The first ${digits}; more letters find fewer.` : '');
      }
    } catch {
      if (asking === this.asked) {
        this.show(tonight, 'The server does not answer: only tonight’s dances are found.');
      }
    }
  }

  /** @param {Offer[]} offers @param {string} words */
  show(offers, words) {
    this.offers = offers.slice(0, digits);
    put('finder-said', words);
    the('finder-list').replaceChildren(...this.offers.map((offer, i) => {
      const button = document.createElement('button');
      button.type = 'button';
      button.className = 'finder-offer';
      button.append(Object.assign(document.createElement('kbd'), { textContent: String(i + 1) }), ` ${offer.title} `, Object.assign(document.createElement('span'), { className: 'quiet', textContent: offer.about }));
      button.addEventListener('click', () => this.take(offer));
      const row = document.createElement('li');
      row.append(button);
      return row;
    }));
  }

  /** @param {KeyboardEvent} event */
  press(event) {
    const isField = event.target === this.letters;
    const buttons = [...the('finder-list').querySelectorAll('button')];
    const at = buttons.findIndex((b) => b === document.activeElement);
    if (event.ctrlKey || event.altKey || event.metaKey || event.isComposing) {
      return;
    }
    if (/^[1-9]$/.test(event.key) && (!isField || this.letters.value === '') && this.offers[Number(event.key) - 1]) {
      event.preventDefault();
      this.take(this.offers[Number(event.key) - 1]);
    } else if (event.key === 'Enter' && isField && this.offers.length > 0) {
      event.preventDefault();
      this.take(this.offers[0]);
    } else if (event.key === 'ArrowDown') {
      event.preventDefault();
      buttons[Math.min(at + 1, buttons.length - 1)]?.focus();
    } else if (event.key === 'ArrowUp') {
      event.preventDefault();
      (at > 0 ? buttons[at - 1] : this.letters).focus();
    }
  }

  /** @param {Offer} offer */
  take(offer) {
    this.dialog.close();
    if (document.activeElement instanceof HTMLElement) {
      document.activeElement.blur();
    }
    this.board.take(offer);
  }
}
