// Less time is left than was planned, or more: the rest is planned anew by the server, seen before it is taken. And the whole is begun anew.
import { put } from '../board/painter.js';
import { say } from '../board/said.js';
import { post } from '../marks.js';
import { button, field, form, the } from '../page.js';
import { adopt, enter, showOver } from './blocks.js';
import { forget, onTime, secondsHere, secondsLeft } from './clock.js';
import { fetched } from './opening.js';
import { ask } from './question.js';
import { block, id, isOpen, isRehearsal, lesson, state } from './state.js';
import { marks, told } from './telling.js';

/** @typedef {{ said: string, fits: boolean, changes: string[], lesson: import('./state.js').Lesson | null }} Seen */

/** Milliseconds after the last key until the plan is asked for. */
const typing = 250;
/** The least minutes of a rest behind the block that is led. */
const least = 0.5;

const dialog = the('rest', HTMLDialogElement);
const minutes = field('rest-minutes');
let asked = 0;
let later = 0;
/** What a rehearsal asked of its rest, which is kept nowhere else. @type {{ after: string, seconds: number }[]} */
let rehearsed = [];

/** What stays: nothing before the lesson is begun, else all up to the block that is led. */
const after = () => (state.hasBegun ? block().id : '');

/** Minutes for what comes behind the block that is led. */
const behind = () => Number(minutes.value) - (state.hasBegun ? secondsHere() / 60 : 0);

/** @param {boolean} isKept @returns {Promise<{ seen: Seen | null, why: string, step?: { after: string, seconds: number } }>} */
async function plan(isKept) {
  if (minutes.value.trim() === '' || !Number.isFinite(Number(minutes.value)) || Number(minutes.value) > Number(minutes.max) || Number(minutes.value) < Number(minutes.min)) {
    return { seen: null, why: `Write minutes from ${minutes.min} to ${minutes.max}.` };
  }
  if (behind() < least) {
    return { seen: null, why: 'The block that is led takes all of that. Go on to the next first, or end the lesson.' };
  }
  const step = { after: after(), seconds: Math.round(behind() * 600) / 10 };
  const answer = await post(id, `Rest${isRehearsal ? '&rehearse=true' : ''}`, { after: step.after, minutes: step.seconds / 60, isKept, plan: lesson().plan, rehearsed });
  if (!answer) {
    return { seen: null, why: 'The server does not answer, and a plan cannot be reckoned without it. Leave blocks out with S meanwhile.' };
  }
  if (!answer.ok) {
    return { seen: null, why: answer.status < 500 && answer.type !== 'opaqueredirect' ? (await answer.json()).title : 'The plan cannot be reckoned now; try again.' };
  }
  return { seen: await answer.json(), why: '', step };
}

/** Shows what would become of the blocks; only the last that was asked for counts. */
async function look() {
  const asking = ++asked;
  button('rest-take').disabled = true;
  const { seen, why } = await plan(false);
  if (asking !== asked) {
    return;
  }
  put('rest-said', seen?.said ?? why);
  the('rest-changes').replaceChildren(...(seen?.changes ?? []).map((c) => Object.assign(document.createElement('li'), { textContent: c })));
  button('rest-take').disabled = seen === null;
}

export function lessTime() {
  minutes.value = String(Math.max(1, Math.round(secondsLeft() / 60)));
  put('rest-label', state.hasBegun ? `Minutes left, with what is led now (${block().title})` : 'Minutes that there are');
  put('rest-said', '');
  the('rest-changes').replaceChildren();
  dialog.showModal();
  minutes.focus();
  minutes.select();
  look();
}

minutes.addEventListener('input', () => {
  // What is shown is of other minutes: it cannot be taken.
  button('rest-take').disabled = true;
  clearTimeout(later);
  later = window.setTimeout(look, typing);
});
button('rest-leave').addEventListener('click', () => dialog.close());
form('rest-form').addEventListener('submit', async (event) => {
  event.preventDefault();
  const asking = ++asked;
  clearTimeout(later);
  const { seen, why, step } = await plan(true);
  if (asking !== asked) {
    return;
  }
  if (!seen?.lesson) {
    put('rest-said', why);
    return;
  }
  if (isRehearsal && step) {
    rehearsed.push(step);
  }
  dialog.close();
  adopt(seen.lesson);
  onTime();
  say(seen.fits ? `planned anew: ${minutes.value} minutes are left` : seen.said);
});

/** All is led from the beginning once more; what was told of it does not hold. */
export async function beginAnew() {
  if (!state.lesson) {
    return;
  }
  if (!await ask('Begin the lesson anew?', isRehearsal ? 'The rehearsal goes back to the first block.' : 'It is led from its first block, as it was planned at first. What this board and others told of it so far is not counted any more.', 'Yes, begin anew')) {
    return;
  }
  told('anew');
  rehearsed = [];
  forget();
  state.isOver = false;
  state.hasBegun = false;
  try {
    const first = isRehearsal || await delivered() ? await fetched() : null;
    state.lesson = first ? { ...first, isOver: false } : lesson();
  } catch {
    // Without the server it is led as it was planned last.
  }
  enter(0);
  say('the lesson waits to be begun');
}

/** What was told before it is fetched has to have arrived. */
async function delivered() {
  await marks.deliver();
  return marks.waiting.length === 0;
}

/** Ends it, once that is meant. */
export async function end() {
  if (!isOpen()) {
    return;
  }
  const left = lesson().blocks.length - state.at - 1;
  if (await ask('End the lesson?', `${left > 0 ? `${left === 1 ? 'One block was' : `${left} blocks were`} not led yet. ` : ''}${isRehearsal ? 'Nothing of a rehearsal is logged.' : 'Its log is written from what happened; it can be corrected there.'}`, 'Yes, end it')) {
    showOver();
  }
}
