// Drives the Fit page: the band plays the song and the strip follows; the strip is drawn out as far as one eight; tempo and
// passages are tapped; a number key takes a proposal, E or O an ending, and U takes it back; what lies on the strip is set by pointer and keys.
import { token } from './app.js';
import { Conductor } from './conductor.js';
import { on } from './keys.js';
import { notesOf, tieMix } from './mix.js';
import { field as fieldOf, fieldsOf, form as formOf, htmx, the } from './page.js';

const page = the('fit');
const run = the('run');
const form = formOf('fit-form');
const play = the('play');
const where = the('where');
const zoom = fieldOf('zoom');
const rate = fieldOf('band-rate');
const address = `/dances/${page.dataset.id}/fit`;

/** @type {import('./mix.js').Score | null} */
let score = null;
export const conductor = new Conductor();
conductor.done = () => paintPlay();
tieMix(conductor);

async function loadScore() {
  const answer = await fetch(`${address}?handler=Score`);
  if (answer.ok) {
    const fetched = /** @type {import('./mix.js').Score} */ (await answer.json());
    score = fetched;
    conductor.load(notesOf(fetched), fetched.seconds);
  }
}

/** The song's count at a moment, with its fraction. @param {number} seconds */
function countAt(seconds) {
  const counts = score?.counts ?? [0];
  let low = 0;
  let high = counts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (counts[middle] <= seconds) {
      low = middle;
    } else {
      high = middle - 1;
    }
  }
  const length = (counts[low + 1] ?? counts[low] + 1) - counts[low];
  return low + Math.min(0.999, Math.max(0, (seconds - counts[low]) / length));
}

const strip = () => /** @type {SVGElement & { dataset: DOMStringMap } | null} */ (document.querySelector('#tide'));
const frameOf = () => /** @type {HTMLElement | null} */ (document.getElementById('tide-frame'));

/** Moves the playhead, and the strip under it. */
function paint() {
  const tide = strip();
  const seconds = conductor.position();
  const at = countAt(seconds);
  const passage = [...(tide?.querySelectorAll('.passage[data-from]') ?? [])].find((p) => at >= Number(p.getAttribute('data-from')) && at < Number(p.getAttribute('data-to')));
  where.textContent = `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, '0')}, count ${Math.floor(at)}${passage ? ` · ${passage.getAttribute('data-name')}` : ''}`;
  if (tide) {
    const x = (countAt(seconds) / Math.max(1, Number(tide.dataset.counts))) * Number(tide.dataset.width);
    document.getElementById('playhead')?.setAttribute('d', `M${x.toFixed(1)} 0V146`);
    const frame = frameOf();
    if (frame && conductor.playing && frame.scrollWidth > frame.clientWidth) {
      const at = (x / Number(tide.dataset.width)) * frame.scrollWidth;
      if (at < frame.scrollLeft + 20 || at > frame.scrollLeft + frame.clientWidth * 0.7) {
        frame.scrollLeft = at - frame.clientWidth * 0.2;
      }
    }
    const count = countAt(seconds);
    for (const row of run.querySelectorAll('tr[data-from]')) {
      row.classList.toggle('now', conductor.playing && count >= Number(row.getAttribute('data-from')) && count < Number(row.getAttribute('data-to')));
    }
  }
  if (conductor.playing) {
    requestAnimationFrame(paint);
  }
}

function paintPlay() {
  the('play-word').textContent = conductor.playing ? 'Pause' : 'Play';
}

async function toggle() {
  if (conductor.playing) {
    conductor.pause();
  } else {
    if (!score) {
      await loadScore();
    }
    await conductor.play(conductor.position());
    requestAnimationFrame(paint);
  }
  paintPlay();
}

/** @param {number} seconds */
async function seek(seconds) {
  const to = Math.max(0, Math.min(score?.seconds ?? 0, seconds));
  if (conductor.playing) {
    await conductor.play(to);
  } else {
    conductor.zeroSong = to;
  }
  paint();
}

play.addEventListener('click', toggle);
rate.addEventListener('change', () => {
  rate.value = String(Math.min(Number(rate.max), Math.max(Number(rate.min), Math.round(Number(rate.value) || 100))));
  conductor.setRate(Number(rate.value) / 100);
});
/** The passage that the tools under the strip are about. */
let chosen = -1;
/** What somebody typed into them and has not set yet, by field. @type {Record<string, string>} */
let typed = {};

/** @param {number} index @param {boolean} focus @param {boolean} again the same passage, drawn anew: what was typed stays */
function choose(index, focus, again = false) {
  const all = [...run.querySelectorAll('.passage[data-index]')];
  const tools = /** @type {HTMLFormElement | null} */ (document.getElementById('strip-tools'));
  if (!tools || all.length === 0) {
    return;
  }
  typed = again ? typed : {};
  chosen = Math.max(0, Math.min(all.length - 1, index));
  const passage = /** @type {SVGElement} */ (all[chosen]);
  all.forEach((p) => p.classList.toggle('chosen', p === passage));
  // A stop is told by the passage before it.
  field(tools, 'passage').value = String(passage.dataset.rest ? chosen - 1 : chosen);
  /** @type {HTMLElement} */ (document.getElementById('strip-chosen')).textContent = passage.getAttribute('aria-label') ?? '';
  /** @type {HTMLElement} */ (tools.querySelector('.strip-set')).hidden = false;
  hold(tools, Number(passage.dataset.from));
  if (focus) {
    passage.focus();
  }
}

/** @param {HTMLFormElement} tools @param {string} name */
const field = (tools, name) => /** @type {HTMLInputElement} */ (tools.elements.namedItem(name));

/** The count that could be held, and when it sounds now. @param {HTMLFormElement} tools @param {number} count */
function hold(tools, count) {
  const seconds = score?.counts[count] ?? 0;
  field(tools, 'count').value = String(count);
  field(tools, 'moment').value = `${Math.floor(seconds / 60)}:${(seconds % 60).toFixed(1).padStart(4, '0')}`;
  for (const [name, value] of Object.entries(typed)) {
    field(tools, name).value = value;
  }
}

/** @param {string} value */
function setChosen(value) {
  if (chosen >= 0) {
    /** @type {HTMLButtonElement | null} */ (run.querySelector(`#strip-tools button[value="${value}"]`))?.click();
  }
}

run.addEventListener('click', (event) => {
  const tide = event.target instanceof Element ? event.target.closest('#tide') : null;
  if (tide instanceof SVGSVGElement && score) {
    const box = tide.getBoundingClientRect();
    const count = Math.floor(((event.clientX - box.left) / box.width) * Number(tide.dataset.counts));
    seek(score.counts[Math.max(0, Math.min(score.counts.length - 1, count))]);
    const passage = event.target instanceof Element ? event.target.closest('.passage') : null;
    if (passage instanceof SVGElement) {
      choose(Number(passage.dataset.index), false);
      hold(/** @type {HTMLFormElement} */ (document.getElementById('strip-tools')), count);
    }
  }
});
run.addEventListener('input', (event) => {
  if (event.target instanceof HTMLInputElement && event.target.form?.id === 'strip-tools') {
    typed[event.target.name] = event.target.value;
  }
});
run.addEventListener('keydown', (event) => {
  // Enter in a field presses the button that belongs to it, not the first one of the form.
  const field = event.target instanceof HTMLInputElement ? event.target.dataset.enter : undefined;
  if (field && event.key === 'Enter') {
    event.preventDefault();
    setChosen(field);
    return;
  }
  const passage = event.target instanceof Element ? event.target.closest('.passage') : null;
  if (passage instanceof SVGElement && event.key === 'Enter') {
    choose(Number(passage.dataset.index), false);
  }
});

/** @param {number} times */
async function draw(times) {
  const most = Number(frameOf()?.dataset.most ?? 1);
  const to = Math.max(1, Math.min(most, Math.round(Number(zoom.value) * times)));
  zoom.value = String(to === Number(zoom.value) && times > 1 ? most : to);
  const wishes = fieldsOf(formOf('wishes'));
  await htmx()?.ajax('GET', `${address}?handler=Run&${wishes}`, { source: '#wishes', target: '#run' });
  const frame = frameOf();
  const tide = strip();
  if (frame && tide) {
    frame.scrollLeft = (countAt(conductor.position()) / Math.max(1, Number(tide.dataset.counts))) * frame.scrollWidth - frame.clientWidth * 0.2;
  }
  paint();
}
document.getElementById('zoom-in')?.addEventListener('click', () => draw(2));
document.getElementById('zoom-out')?.addEventListener('click', () => draw(0.5));

// Tempo by tapping.
/** @type {number[]} */
let taps = [];
/** @param {string} handler @param {Record<string, string>} fields */
async function ask(handler, fields) {
  const answer = await fetch(`${address}?handler=${handler}`, { method: 'POST', headers: { 'X-Fond-Token': token() }, body: new URLSearchParams(fields) });
  return answer.ok ? answer.json() : null;
}
async function tap() {
  const now = performance.now() / 1000;
  taps = taps.length > 0 && now - taps[taps.length - 1] > 3 ? [now] : [...taps, now];
  const tapped = await ask('Tap', { taps: taps.join(',') });
  const words = /** @type {HTMLElement} */ (document.getElementById('tapped'));
  words.textContent = tapped ? `${tapped.bpm} a minute, give or take ${tapped.spread} (${tapped.used} taps${tapped.dropped ? `, ${tapped.dropped} left out` : ''})` : `${taps.length} taps; four are needed`;
  if (tapped) {
    const tempo = /** @type {HTMLInputElement} */ (document.getElementById('tempo'));
    tempo.value = String(tapped.bpm);
    tempo.dispatchEvent(new Event('input', { bubbles: true }));
  }
}
document.getElementById('tap')?.addEventListener('click', tap);

// Passages by tapping along with the music.
/** @type {number[]} */
let starts = [];
const passages = /** @type {HTMLTextAreaElement} */ (document.getElementById('passages'));
const tappedPassages = /** @type {HTMLElement} */ (document.getElementById('tapped-passages'));
async function tapPassage() {
  if (!conductor.playing) {
    starts = [];
    await seek(0);
    await toggle();
  }
  starts.push(conductor.position());
  tappedPassages.textContent = `${starts.length} begun; Esc when the last one ends`;
}
async function endPassages() {
  if (starts.length === 0) {
    return;
  }
  const made = await ask('TapPassages', { taps: starts.join(','), end: String(conductor.position()) });
  starts = [];
  conductor.pause();
  paintPlay();
  tappedPassages.textContent = '';
  if (made?.text) {
    passages.value = made.text;
    passages.dispatchEvent(new Event('input', { bubbles: true }));
  }
}
document.getElementById('tap-passages')?.addEventListener('click', tapPassage);

const track = /** @type {HTMLSelectElement} */ (document.getElementById('track'));
// Choosing in the list only chooses: the arrows go through it, the button takes what is chosen.
track.addEventListener('change', () => {
  const title = /** @type {HTMLInputElement} */ (document.getElementById('title'));
  title.hidden = track.value !== 'new';
});

on('Fit', {
  Space: toggle, '+': () => draw(2), '=': () => draw(2), '-': () => draw(0.5), T: tap, P: tapPassage, Escape: endPassages,
  U: () => document.getElementById('undo-last')?.click(), E: () => document.getElementById('finish')?.click(), O: () => /** @type {HTMLElement | null} */ (run.querySelector('.endings [data-pose]'))?.click(),
  '[': () => choose(chosen - 1, true), ']': () => choose(chosen + 1, true), H: () => setChosen('half'), D: () => setChosen('double'), A: () => setChosen('played'),
  Home: () => seek(0),
  '→': () => seek(score?.counts[Math.floor(countAt(conductor.position()) / 8 + 1) * 8] ?? score?.seconds ?? 0),
  '←': () => seek(score?.counts[Math.max(0, Math.ceil(countAt(conductor.position()) / 8 - 1) * 8)] ?? 0),
  ...Object.fromEntries([1, 2, 3, 4, 5, 6, 7, 8, 9].map((n) => [String(n), () => /** @type {HTMLElement | null} */ (run.querySelector(`.accept[data-number="${n}"]`))?.click()])),
});

document.body.addEventListener('htmx:afterSwap', async (event) => {
  const { target, requestConfig } = /** @type {CustomEvent} */ (event).detail;
  if (target === run) {
    if (requestConfig?.elt?.id === 'strip-tools' && !run.querySelector('.problem')) {
      typed = {};
    }
    // At once, and once more when it is known when each count sounds: whoever types meanwhile loses nothing.
    const again = () => chosen >= 0 && choose(chosen, document.activeElement === document.body, true);
    again();
    await loadScore();
    paint();
    again();
  }
});
form.addEventListener('submit', (event) => event.preventDefault());
loadScore().then(paint);
