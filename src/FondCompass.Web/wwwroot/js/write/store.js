// Keeps what is written: saves by itself, keeps a draft in the browser until the server has it, and shows both texts when
// another tab was quicker.
import { banner, token, wordsFor } from '../app.js';
import { box, put } from './text.js';

const page = /** @type {HTMLElement} */ (document.getElementById('write'));
const saved = /** @type {HTMLElement} */ (document.getElementById('saved'));
const conflict = /** @type {HTMLDialogElement} */ (document.getElementById('conflict'));
const id = page.dataset.id ?? '';
const draftKey = `fond-draft-${id}`;
const idle = 700;
const retry = 2500;
const patience = 10000;

let version = Number(page.dataset.version);
let savedText = box.value;
/** @type {number | undefined} */
let timer;
let saving = false;
/** @type {{ version: number, script: string } | null} */
let theirs = null;

/** @param {string} words */
function say(words) {
  saved.textContent = words;
}

/** Sends the text, unless it is stored already or a question is open. */
async function save() {
  clearTimeout(timer);
  if (saving || conflict.open || box.value === savedText) {
    return;
  }
  saving = true;
  const text = box.value;
  say('saving …');
  let again = idle;
  try {
    const answer = await fetch(`/dances/${id}/write?handler=Save`, {
      method: 'POST',
      headers: { 'X-Fond-Token': token() },
      body: new URLSearchParams({ script: text, version: String(version) }),
      redirect: 'manual',
      keepalive: text.length < 50000,
      signal: AbortSignal.timeout(patience),
    });
    if (answer.ok) {
      version = (await answer.json()).version;
      savedText = text;
      delete document.body.dataset.unsaved;
      banner('');
      if (box.value === text) {
        localStorage.removeItem(draftKey);
        say('saved');
      }
    } else if (answer.status === 409) {
      theirs = await answer.json();
      show();
    } else {
      fail(answer.type === 'opaqueredirect' ? 401 : answer.status);
      again = retry;
    }
  } catch {
    fail(0);
    again = retry;
  }
  saving = false;
  if (box.value !== savedText && !conflict.open) {
    timer = setTimeout(save, again);
  }
}

/** @param {number} status */
function fail(status) {
  document.body.dataset.unsaved = 'yes';
  say('not saved yet');
  banner(wordsFor(status));
}

/** Shows both texts, yours and the one saved meanwhile. */
function show() {
  /** @type {HTMLElement} */ (document.getElementById('conflict-mine')).textContent = box.value;
  /** @type {HTMLElement} */ (document.getElementById('conflict-theirs')).textContent = theirs?.script ?? '';
  say('changed elsewhere');
  if (!conflict.open) {
    conflict.showModal();
  }
}

conflict.addEventListener('cancel', (event) => event.preventDefault());
document.getElementById('keep-mine')?.addEventListener('click', () => {
  version = theirs?.version ?? version;
  savedText = theirs?.script ?? savedText;
  conflict.close();
  save();
  box.focus();
});
document.getElementById('take-theirs')?.addEventListener('click', () => {
  if (theirs) {
    version = theirs.version;
    savedText = theirs.script;
    put(theirs.script);
    localStorage.removeItem(draftKey);
    say('saved');
  }
  conflict.close();
  box.focus();
});

box.addEventListener('written', () => {
  if (box.value === savedText) {
    localStorage.removeItem(draftKey);
    say('saved');
    return;
  }
  localStorage.setItem(draftKey, JSON.stringify({ version, text: box.value }));
  say('writing …');
  clearTimeout(timer);
  timer = setTimeout(save, idle);
});
addEventListener('pagehide', save);
document.addEventListener('visibilitychange', () => document.visibilityState === 'hidden' && save());

// A draft the server never got: go on with it when nobody saved in between, else show both.
const kept = localStorage.getItem(draftKey);
if (kept) {
  const draft = JSON.parse(kept);
  if (draft.text === box.value) {
    localStorage.removeItem(draftKey);
  } else if (draft.version === version) {
    put(draft.text);
    banner('Your last words had not reached the shelf; they are here again and are being saved.');
  } else {
    theirs = { version, script: savedText };
    box.value = draft.text;
    show();
  }
}
