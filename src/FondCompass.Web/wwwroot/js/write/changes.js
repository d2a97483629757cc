// Changes what is chosen on the ruler. Every change is carried out by the server in the text, so that text and ruler are never two things.
import { the } from '../page.js';
import { ask } from './ask.js';
import { choiceOf, chosen, element, picks, ruler, step, take } from './choice.js';
import { openWays, whenWayIsChosen } from './dialogs.js';
import { openEntry } from './entry.js';
import { box, put, reveal } from './text.js';

const told = the('told');

/** What was cut or copied last, and whether it is a step, a line or a part. */
let taken = '';
let takenOn = 'step';

/** Called after the next drawing. @type {(() => void) | null} */
let onceDrawn = null;

/** The ruler was drawn anew. */
export function drawn() {
  onceDrawn?.();
  onceDrawn = null;
}

/** @param {string} words */
export function refuse(words) {
  told.textContent = words;
  told.hidden = words === '';
}

/** @param {Record<string, string | number>} fields */
export async function edit(fields) {
  const answer = await ask('Edit', fields);
  if (!answer) {
    return false;
  }
  const { script, row, refusal, taken: cut } = await answer.json();
  refuse(refusal ?? '');
  if (cut) {
    taken = cut;
    takenOn = String(fields.on ?? 'step');
  }
  if (!refusal && script !== box.value) {
    const was = chosen();
    if (fields.on === 'step' || !fields.on) {
      take({ kind: 'step', row, part: String(fields.part ?? was?.part ?? ''), line: Number(fields.line ?? was?.line ?? 1), count: 1 });
    } else if (was && fields.on === 'line' && (fields.act === 'later' || fields.act === 'earlier')) {
      take({ ...was, line: was.line + (fields.act === 'later' ? 1 : -1) });
    }
    put(script);
    reveal(row);
  }
  return !refusal;
}

/** What an action is done to. */
function target() {
  const at = chosen();
  return at ? { on: at.kind === 'slot' ? 'step' : at.kind, row: at.row, part: at.part, line: at.line, count: at.count } : null;
}

/** @param {string} words @param {boolean} replaces @param {number} counts */
async function write(words, replaces, counts) {
  const at = chosen();
  if (!at) {
    return;
  }
  const fine = replaces
    ? await edit({ act: 'replace', on: 'step', row: at.row, part: at.part, line: at.line, words })
    : await edit({ act: 'insert', on: 'step', part: at.part, line: at.line, count: at.count, by: counts, words });
  if (fine) {
    onceDrawn = () => step(1);
  }
}

/** A row's words without counts and remark. @param {number} row */
const wordsOf = (row) => box.value.split('\n')[row - 1].replace(/#.*$/, '').replace(/^[\s\d&aei.,–-]+(?=\s)/, '').trim();

/** Takes the steps that are chosen, one or a whole line, to the instructor's own words. */
function keep() {
  const wanted = chosen();
  const rows = picks().map(choiceOf).filter((p) => p.kind === 'step' && wanted && (wanted.kind === 'step' ? p.row === wanted.row : p.part === wanted.part && p.line === wanted.line)).map((p) => p.row);
  const meaning = [...new Set(rows)].map(wordsOf).join(', ');
  if (meaning) {
    location.href = `/steps/own?row=${encodeURIComponent(`step NAME = ${meaning}`)}`;
  } else {
    refuse('Choose a step or a line first; then it can be kept as a step of your own.');
  }
}

/** Opens the field at what is chosen. @param {string} first what has been typed already */
export function enter(first) {
  const choice = chosen();
  if (!choice || !element() || (choice.kind !== 'step' && choice.kind !== 'slot')) {
    return;
  }
  const replaces = choice.kind === 'step';
  const own = replaces ? wordsOf(choice.row) : '';
  openEntry({
    rect: () => (element() ?? ruler).getBoundingClientRect(),
    words: first || own,
    fields: { part: choice.part, line: choice.line, count: choice.count },
    take: (words, counts) => write(words, replaces, counts),
    leave: () => ruler.focus(),
  });
}

/** @param {string} act */
export function act(act) {
  const at = target();
  if (act === 'newpart') {
    edit({ act });
  } else if (!at) {
    refuse('Choose a step on the ruler first: click it, or press Alt+R and the arrow keys.');
  } else if (act === 'write') {
    enter('');
  } else if (act === 'ways') {
    openWays(at.row);
  } else if (act === 'keep') {
    keep();
  } else if (act === 'longer' || act === 'shorter') {
    edit({ ...at, act: 'longer', by: act === 'longer' ? 1 : -1 });
  } else if (act === 'paste') {
    // Steps go before what is chosen; whole lines and parts go below the line or part it is in.
    edit({ ...at, act, on: takenOn, taken });
  } else {
    edit({ ...at, act });
  }
}

whenWayIsChosen((fields) => edit(fields));
