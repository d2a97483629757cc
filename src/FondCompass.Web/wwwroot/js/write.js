// Drives the Write page: saves by itself, keeps a draft in the browser until the server has it, shows both texts when
// another tab was quicker, applies fixes and leads from a finding to its row. The ruler itself comes from the server.
import { banner, token, wordsFor } from './app.js';

const box = /** @type {HTMLTextAreaElement} */ (document.getElementById('script'));
const saved = /** @type {HTMLElement} */ (document.getElementById('saved'));
const conflict = /** @type {HTMLDialogElement} */ (document.getElementById('conflict'));
const ruler = /** @type {HTMLElement} */ (document.getElementById('ruler'));
const id = box.dataset.id ?? '';
const draftKey = `fond-draft-${id}`;
const idle = 700;
const retry = 2500;

let version = Number(box.dataset.version);
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
      ask();
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

function ask() {
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

/** Replaces the whole text in a way that the browser's undo takes back. @param {string} text */
function put(text) {
  box.focus();
  box.select();
  if (!document.execCommand('insertText', false, text)) {
    box.value = text;
  }
  box.dispatchEvent(new Event('input', { bubbles: true }));
}

box.addEventListener('input', () => {
  localStorage.setItem(draftKey, JSON.stringify({ version, text: box.value }));
  say('writing …');
  clearTimeout(timer);
  timer = setTimeout(save, idle);
});

/** Selects a row of the text. @param {number} row from 1 */
function goTo(row) {
  const rows = box.value.split('\n');
  const start = rows.slice(0, row - 1).reduce((sum, r) => sum + r.length + 1, 0);
  box.focus();
  box.setSelectionRange(start, start + (rows[row - 1]?.length ?? 0));
  const line = parseFloat(getComputedStyle(box).lineHeight);
  box.scrollTop = Math.max(0, (row - 6) * line);
}

/** @param {HTMLElement} button */
function applyFix(button) {
  goTo(Number(button.dataset.fixRow));
  if (!document.execCommand('insertText', false, button.dataset.fixText ?? '')) {
    box.setRangeText(button.dataset.fixText ?? '');
  }
  box.dispatchEvent(new Event('input', { bubbles: true }));
}

ruler.addEventListener('click', (event) => {
  const target = event.target instanceof Element ? event.target.closest('[data-fix-row], [data-row]') : null;
  if (target instanceof HTMLElement && target.dataset.fixRow) {
    applyFix(target);
  } else if (target) {
    goTo(Number(target.getAttribute('data-row')));
  }
});

document.addEventListener('keydown', (event) => {
  if (event.altKey && event.key.toLowerCase() === 'f') {
    const first = ruler.querySelector('.fix');
    if (first instanceof HTMLElement) {
      event.preventDefault();
      applyFix(first);
    }
  }
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
    ask();
  }
}
