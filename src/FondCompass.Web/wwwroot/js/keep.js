// Keeps what is typed into a form until the server has it: every form marked data-keep is held in this browser from the first
// letter on, sent again when a server that was away is back, and filled in again when the page was left meanwhile.
import { banner, wordsFor } from './app.js';
import { fieldsOf as sentBy, htmx, onHtmx } from './page.js';

const account = document.querySelector('meta[name="fond-account"]')?.getAttribute('content') ?? '';
const again = 1500;
const patience = 8000;

/** @typedef {HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement} Field */

/** @param {HTMLFormElement} form */
const keyOf = (form) => `fond-kept ${account} ${location.pathname} ${form.dataset.keep}`;

/** What is typed, and the mark by which the server knows a form that arrives twice. @param {HTMLFormElement} form @returns {Field[]} */
const fieldsOf = (form) => /** @type {Field[]} */ ([...form.elements]).filter((f) => f.name && (f.name === 'sent' || !/^(hidden|submit|button|fieldset)$/.test(f.type)));

/** @param {Field} field @returns {[string, string, boolean]} */
const valueOf = (field) => [field.name, /^(checkbox|radio)$/.test(field.type) ? field.value : '', field instanceof HTMLInputElement && field.checked];

/** @param {HTMLFormElement} form */
const valuesOf = (form) => fieldsOf(form).map((f) => ({ is: valueOf(f), text: f.value }));

/** @param {EventTarget | null} target @returns {HTMLFormElement | null} */
const keptForm = (target) => (target instanceof Element ? target.closest('form[data-keep]') : null);

/** Whether it saves itself as one types. @param {HTMLFormElement} form */
const savesItself = (form) => form.hasAttribute('hx-post');

/** @param {HTMLFormElement} form */
const keep = (form) => localStorage.setItem(keyOf(form), JSON.stringify(valuesOf(form)));

/** @param {HTMLFormElement} form */
const forget = (form) => localStorage.removeItem(keyOf(form));

/** Asks until the server and its database answer. */
export async function untilBack() {
  for (;;) {
    await new Promise((go) => setTimeout(go, again));
    try {
      if ((await fetch('/healthz', { cache: 'no-store', signal: AbortSignal.timeout(patience) })).ok) {
        return;
      }
    } catch {
      // Still away.
    }
  }
}

/** @type {Set<HTMLFormElement>} */
const waiting = new Set();

/** Sends a form, and again when the server is back. @param {HTMLFormElement} form @param {HTMLElement | null} submitter */
async function deliver(form, submitter) {
  if (waiting.has(form)) {
    return;
  }
  waiting.add(form);
  try {
    for (;;) {
      const answer = await post(form, submitter);
      if (answer && answer.status < 500) {
        await arrive(form, answer);
        return;
      }
      banner(wordsFor(answer?.status === 503 ? 503 : 0));
      await untilBack();
    }
  } finally {
    waiting.delete(form);
  }
}

/** @param {HTMLFormElement} form @param {HTMLElement | null} submitter @returns {Promise<Response | null>} */
async function post(form, submitter) {
  const to = submitter?.getAttribute('formaction') ?? form.getAttribute('action') ?? location.href;
  const body = sentBy(form, submitter);
  // What is typed into the form that belongs to it, and may not have been sent yet, goes with it.
  const beside = document.getElementById(form.dataset.with ?? '');
  if (beside instanceof HTMLFormElement) {
    const own = new Set(body.keys());
    for (const [name, value] of sentBy(beside)) {
      if (!own.has(name)) {
        body.append(name, value);
      }
    }
  }
  try {
    // The page behind it is only looked at here: what was done is told where it is shown.
    return await fetch(to, { method: 'POST', body, headers: { 'X-Fond-Looks': 'yes' }, signal: AbortSignal.timeout(patience) });
  } catch {
    return null;
  }
}

/** @param {HTMLFormElement} form @param {Response} answer */
async function arrive(form, answer) {
  if (answer.redirected) {
    if (!new URL(answer.url).pathname.startsWith('/sign-in')) {
      forget(form);
    }
    location.assign(answer.url);
    return;
  }
  if (!answer.ok) {
    banner(wordsFor(answer.status));
    return;
  }
  // The page itself, with a problem told or with what was saved.
  const main = new DOMParser().parseFromString(await answer.text(), 'text/html').getElementById('main');
  const here = document.getElementById('main');
  if (!main || !here) {
    location.reload();
    return;
  }
  if (!main.querySelector('.problem')) {
    forget(form);
  }
  banner('');
  here.replaceChildren(...main.childNodes);
  htmx()?.process(here);
  document.dispatchEvent(new Event('shown'));
  const told = here.querySelector('.problem, .verdict, [role=status]');
  if (told instanceof HTMLElement) {
    told.tabIndex = -1;
    told.focus();
  }
}

/** Fills a form in again with what had not arrived. @param {HTMLFormElement} form */
function restore(form) {
  const kept = localStorage.getItem(keyOf(form));
  if (kept === null) {
    return;
  }
  const isMark = (/** @type {{ is: [string, string, boolean] }} */ v) => v.is[0] === 'sent';
  const typed = (/** @type {{ is: [string, string, boolean], text: string }[]} */ values) => JSON.stringify(values.filter((v) => !isMark(v)));
  if (typed(JSON.parse(kept)) === typed(valuesOf(form))) {
    forget(form);
    return;
  }
  const values = /** @type {{ is: [string, string, boolean], text: string }[]} */ (JSON.parse(kept));
  for (const field of fieldsOf(form)) {
    const [name, value] = valueOf(field);
    const was = values.find((v) => v.is[0] === name && v.is[1] === value);
    if (was && field instanceof HTMLInputElement && value !== '') {
      field.checked = was.is[2];
    } else if (was) {
      field.value = was.text;
      field.dispatchEvent(new Event('refilled'));
    }
  }
  if (savesItself(form)) {
    banner('Your last words had not reached the server; they are here again and are being saved.');
    form.dispatchEvent(new Event('change', { bubbles: true }));
  } else {
    const button = form.querySelector('button[type=submit], button:not([type])')?.textContent?.trim() ?? 'Save';
    banner(`What you typed here had not reached the server. It is here again; press “${button}” to save it.`);
  }
}

document.addEventListener('input', (event) => {
  const form = keptForm(event.target);
  if (form) {
    keep(form);
  }
});

document.addEventListener('submit', (event) => {
  const form = keptForm(event.target);
  if (form && !savesItself(form)) {
    event.preventDefault();
    keep(form);
    deliver(form, event.submitter);
  }
});

onHtmx('htmx:afterRequest', async ({ elt: form, successful }) => {
  if (!(form instanceof HTMLFormElement) || keptForm(form) !== form) {
    return;
  }
  if (successful) {
    forget(form);
  } else if (!waiting.has(form)) {
    waiting.add(form);
    await untilBack();
    waiting.delete(form);
    form.dispatchEvent(new Event('change', { bubbles: true }));
  }
});

document.querySelectorAll('form[data-keep]').forEach((form) => restore(/** @type {HTMLFormElement} */ (form)));
