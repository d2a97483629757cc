// Paints one moment of a timeline onto a board: the count, the step now and the next, the feet, the needle, what stands on top and what comes.
// Board, lesson and the class's screens all paint with it; a place that a page does not have is left out.

import { lastAt } from './timeline.js';

/** @typedef {import('./timeline.js').Timeline} Timeline */
/** @typedef {import('./timeline.js').Step} Step */
/** @typedef {import('./timeline.js').Part} Part */
/** @typedef {import('./timeline.js').Say} Say */
/** @typedef {import('./timeline.js').Mark} Mark */

/** Degrees of a quarter turn. */
const quarter = 90;

/** @param {string} name */
const place = (name) => document.getElementById(name);

/** @param {string} name @param {string} words */
export function put(name, words) {
  const at = place(name);
  if (at && at.textContent !== words) {
    at.textContent = words;
  }
}

/** @param {string} name @param {string} sign @param {boolean} on */
const mark = (name, sign, on) => place(name)?.classList.toggle(sign, on);

/** @param {string} name @param {string[]} words */
export function list(name, words) {
  const all = [...new Set(words)];
  const at = place(name);
  if (at && at.dataset.words !== all.join('|')) {
    at.dataset.words = all.join('|');
    at.replaceChildren(...all.map((w) => Object.assign(document.createElement('li'), { textContent: w })));
  }
}

/** Levels below a part. @param {Part[]} parts @returns {number} */
const levels = (parts) => parts.length === 0 ? 0 : 1 + Math.max(...parts.map((p) => levels(p.parts)));

/** Parts in a line, so many levels of them: "double step (heel, toe) · cross". @param {Part[]} parts @param {number} depth @returns {string} */
const told = (parts, depth, between = ' · ') => parts
  .map((p) => `${p.counts ? `${p.counts} ` : ''}${p.words}${depth > 1 && p.parts.length > 0 ? ` (${told(p.parts, depth - 1, ', ')})` : ''}`).join(between);

/** How the step that is danced goes, opened so many levels; none is shut again behind the last. @param {Timeline} line @param {Step[]} steps @param {number} at @param {number} opened */
function inside(line, steps, at, opened) {
  let first = at;
  while (first > 0 && !steps[first].starts) {
    first--;
  }
  const parts = line.parts?.find((p) => p.step === steps[first]?.step)?.parts ?? [];
  const depth = parts.length > 0 ? opened % (levels(parts) + 1) : 0;
  return depth > 0 ? told(parts, depth) : '';
}

/** What was to be said before the count-in that is counted now: it stands while it is counted in. @param {Timeline} line @param {Say[]} says @param {number} shown */
function beforeCountIn(line, says, shown) {
  let first = shown;
  while (first > 0 && line.clicks[first - 1].isCountIn) {
    first--;
  }
  const from = line.clicks[first].at;
  return says.filter((s) => s.until <= from + 0.001 && s.for > from).map((s) => s.words).join(', ');
}

/** Words for the ways of the room, by the words that are written. @type {WeakMap<Timeline, { written: RegExp, by: Map<string, string[]> }>} */
const ways = new WeakMap();

/** Words of which every way of the room is turned. @param {Timeline} line @param {string} words @param {number} quarters */
function turnedWords(line, words, quarters) {
  if (quarters === 0 || !line.turned || line.turned.length === 0) {
    return words;
  }
  let way = ways.get(line);
  if (!way) {
    const by = new Map(line.turned.map((t) => [t.words, t.by]));
    // The longest first: "to 3:00" before "3:00".
    const all = [...by.keys()].sort((a, b) => b.length - a.length).map((w) => w.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'));
    way = { written: new RegExp(`(?<![0-9:])(?:${all.join('|')})(?![0-9:])`, 'g'), by };
    ways.set(line, way);
  }
  const { written, by } = way;
  return words.replace(written, (w) => by.get(w)?.[quarters - 1] ?? w);
}

/**
 * @param {Timeline} line @param {number} shown the click that is now
 * @param {number} now seconds on the timeline
 * @param {{ mirrored?: boolean, levels?: Set<string>, turned?: number, quarters?: number, opened?: number }} [view] mirrored: as one sees it who faces the class; turned: degrees the picture is turned by; quarters: to the right, by which the class faces otherwise than it is written; opened: levels of the step that are shown
 */
export function paint(line, shown, now, view = {}) {
  const click = line.clicks[shown];
  const steps = line.steps;
  const quarters = view.quarters ?? 0;
  const turn = (/** @type {string} */ words) => turnedWords(line, words, quarters);
  const current = lastAt(steps, now + 0.001);
  const step = steps[current];
  const next = steps[current + 1];
  if (click) {
    put('count', click.label);
    mark('count', 'half', click.isHalf);
    mark('count', 'named', click.label.length > 3);
    put('phase', click.isCountIn ? 'count-in' : click.where);
    put('wall', turn(click.wall));
  }
  put('now', step && !click?.isCountIn ? step.name : 'wait');
  put('deed', step?.deed ?? '');
  put('inside', view.opened ? inside(line, steps, Math.max(0, current), view.opened) : '');
  const coming = steps.findIndex((s, i) => i > current && s.starts);
  put('next', coming >= 0 ? `${steps[coming].name}${steps[coming].foot ? ` · ${steps[coming].foot}` : ''}` : next ? '' : 'end');
  // What is said now, or comes next; it is marked while it is to be said.
  const says = view.levels ? line.says.filter((s) => !s.layer || view.levels?.has(s.layer)) : line.says;
  const say = says.find((s) => s.until > now + 0.001);
  const words = click?.isCountIn ? beforeCountIn(line, says, shown) : '';
  // A class reads what it hears, while it is said and until it is danced; who calls reads what is next to be said.
  const heard = place('cue-count')?.dataset.heard !== undefined;
  const aloud = says.findLast((s) => s.at <= now + 0.001 && s.for > now + 0.001);
  put('cue-count', heard ? turn(aloud?.words ?? '') : words || say ? `say: ${turn(words || say?.words || '')}` : '');
  mark('cue-count', 'own', say?.isOwn ?? false);
  mark('cue-count', 'due', !!say && say.at <= now + 0.001);
  mark('foot-l', 'on', step?.foot === 'L');
  mark('foot-r', 'on', step?.foot === 'R');
  mark('foot-l', 'free', step?.free === 'L' && step?.foot !== 'L');
  mark('foot-r', 'free', step?.free === 'R' && step?.foot !== 'R');
  const until = coming >= 0 ? steps[coming] : next;
  const wait = place('wait');
  if (until && wait instanceof HTMLProgressElement) {
    const from = step?.at ?? 0;
    wait.value = Math.max(0, Math.min(1, (until.at - now) / Math.max(0.01, until.at - from)));
  }
  put('facing', step ? `facing ${turn(step.facing)}` : '');
  document.body.classList.toggle('ring', line.isRing ?? false);
  const degrees = (step?.degrees ?? 0) + (view.turned ?? 0) + (quarters * quarter);
  place('needle')?.setAttribute('transform', `rotate(${view.mirrored ? -degrees : degrees} 30 30)`);
  const marks = line.marks.filter((m) => m.from <= now && (m.until > now || m.at > now - 1.5));
  const layers = marks.filter((m) => /^(arms|hips|head|sounds|body)$/.test(m.kind) && (!view.levels || view.levels.has(m.kind)));
  // What is danced now and what comes are told apart.
  const isNow = (/** @type {Mark} */ m) => m.at <= now + 0.001;
  const danced = layers.filter(isNow).map((m) => m.words);
  list('layers', [...danced, ...layers.filter((m) => !isNow(m) && !danced.includes(m.words)).map((m) => `then ${m.words}`)]);
  put('beside', marks.filter((m) => m.kind === 'beside').map((m) => m.words).join(' · '));
  put('mind', marks.filter((m) => /^(caution|trouble|note)$/.test(m.kind)).map((m) => (m.kind === 'note' ? m.words : `${m.kind}: ${m.words}`)).join(' · '));
  put('ahead', line.events.filter((e) => e.from <= now && e.at > now).map((e) => turn(e.words)).join(' · '));
}
