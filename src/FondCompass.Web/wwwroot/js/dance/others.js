// Another dance on a board that runs: by its first letters or a digit, the next of tonight's, and back again. Nothing is loaded anew but the
// dance; the address follows, so that a reload stays with it.
import { Finder } from '../board/finder.js';
import { say } from '../board/said.js';
import { htmx, the } from '../page.js';
import { goOver } from './player.js';

const board = the('board');
const patience = 8000;

/** Tonight's dances in their order, of the lesson that is planned with the first that was opened. @type {{ id: string, title: string }[]} */
let tonight = JSON.parse(board.dataset.tonight ?? '[]');

/** Dances that were danced before this one, the last of them last. @type {{ id: string, title: string }[]} */
const before = [];

let isUnderWay = false;

const idNow = () => location.pathname.split('/')[2];

const titleNow = () => document.title.split(': Teach')[0];

/** @param {Document} page @param {string} name an id of what every dance's board has */
const part = (page, name) => /** @type {HTMLElement} */ (page.querySelector(name));

/** @param {string} id @param {string} title @returns {Promise<boolean>} whether that dance is on the board now */
async function over(id, title) {
  if (isUnderWay || id === idNow()) {
    return false;
  }
  isUnderWay = true;
  say(`${title} comes`);
  try {
    const answer = await fetch(`/dances/${id}/teach`, { signal: AbortSignal.timeout(patience), redirect: 'error' });
    if (!answer.ok) {
      throw new Error(String(answer.status));
    }
    const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
    const { source = '', score = '', tonight: theirs = '[]' } = part(page, '#board').dataset;
    const repeats = /** @type {HTMLInputElement} */ (part(page, '#repeats')).defaultValue;
    const isOver = await goOver({ source, score, repeats }, () => {
      for (const name of ['.dance-bar', '#board-told', '#board-links']) {
        const old = part(document, name);
        old.replaceWith(document.importNode(part(page, name), true));
        htmx()?.process(part(document, name));
      }
      document.title = page.title;
      history.replaceState(null, '', `/dances/${id}/teach`);
    });
    if (!isOver) {
      throw new Error(title);
    }
    tonight = tonight.length > 1 ? tonight : JSON.parse(theirs);
    say(`${title} is danced now`);
    return true;
  } catch {
    say(`${title} cannot be fetched now; the board stays with this dance`);
    return false;
  } finally {
    isUnderWay = false;
  }
}

/** @param {string} id @param {string} title */
async function goTo(id, title) {
  const was = { id: idNow(), title: titleNow() };
  if (await over(id, title)) {
    before.push(was);
  }
}

export const finder = new Finder({
  tonight: () => tonight.filter((d) => d.id !== idNow()).map((d) => ({ ...d, about: 'tonight' })), take: ({ id, title }) => { goTo(id, title); },
});

/** The next dance of tonight's, behind the last the first. */
export function next() {
  const at = tonight.findIndex((d) => d.id === idNow());
  const dance = tonight[(at + 1) % Math.max(1, tonight.length)];
  if (!dance || dance.id === idNow()) {
    say('no other dance is planned for tonight; D finds one on the shelf');
    return;
  }
  goTo(dance.id, dance.title);
}

/** The dance that was danced before this one. */
export async function back() {
  const was = before.at(-1);
  if (!was) {
    say('no dance was danced here before this one');
    return;
  }
  if (await over(was.id, was.title)) {
    before.pop();
  }
}
