// Drives every page: which htmx requests are sent and with what token, and the banner that says when the server or its database does not answer.

import './keep.js';
import './keys.js';
import './lists.js';
import './paper.js';
import { onHtmx } from './page.js';

/** @returns {string} */
export const token = () => document.querySelector('meta[name="fond-token"]')?.getAttribute('content') ?? '';

// Where this browser is, for accounts that do not say it yet: the zone, and the first day of a week with Sunday as 0.
try {
  const place = new Intl.Locale(navigator.language);
  const { getWeekInfo, weekInfo } = /** @type {{ getWeekInfo?: () => { firstDay: number }, weekInfo?: { firstDay: number } }} */ (place);
  const week = getWeekInfo?.call(place) ?? weekInfo;
  document.cookie = `fond-zone=${Intl.DateTimeFormat().resolvedOptions().timeZone}|${(week?.firstDay ?? 1) % 7}; Path=/; SameSite=Lax; Max-Age=31536000${location.protocol === 'https:' ? '; Secure' : ''}`;
} catch {
  // Nobody knows where it is; the account's page asks.
}

/** Shows a message above the page; an empty one hides it. @param {string} words */
export function banner(words) {
  const box = document.getElementById('banner');
  if (box) {
    box.textContent = words;
    box.hidden = words === '';
  }
}

/** Whether what is typed on this page is kept in this browser. */
const keeps = () => document.querySelector('form[data-keep], #script') !== null;

/** What to say about a failed request. @param {number} status */
export function wordsFor(status) {
  const kept = keeps() ? ' What you write is kept in this browser and saved when it is back.' : ' Nothing on this page is kept meanwhile; try again in a moment.';
  const still = keeps() ? ' What you wrote is kept in this browser.' : '';
  switch (status) {
    case 0: return `Fond Compass does not answer.${kept}`;
    case 400: return `This page has been open too long. Open it again.${still}`;
    case 401: return `You are signed out. Sign in again.${still}`;
    case 409: return `Somebody saved at the same moment. Open the page again and look at how it stands.${still}`;
    case 410: return 'This dance was deleted. Open its address again to bring it back.';
    case 413: return 'That is more than 256 KiB, which is too much for one dance. It is not saved; shorten it.';
    case 422: return `This studio holds as much as it may; the page Account says how much, and the way out.${still}`;
    case 429: return `More is asked for just now than can be answered.${kept}`;
    case 503: return `The shelf does not answer just now.${kept}`;
    default: return `That did not work.${keeps() ? ' What you wrote is kept in this browser; it is tried again.' : ' Try again.'}`;
  }
}

// Nobody is signed in: what a lesson kept here for a reload without a network is not for whoever comes next.
if ('caches' in window && document.querySelector('meta[name="fond-account"]') === null) {
  caches.keys().then((names) => Promise.all(names.filter((n) => n.startsWith('fond-lessons-')).map((n) => caches.delete(n)))).catch(() => {});
}
document.body.addEventListener('click', (event) => {
  if (event.target instanceof Element && event.target.closest('[data-print]')) {
    window.print();
  }
});
// The word of this session, which every element of our own markup bears that sends something; whatever got into a page otherwise cannot know it.
const own = document.querySelector('meta[name="fond-own"]')?.getAttribute('content') ?? '';
onHtmx('htmx:configRequest', (detail, event) => {
  if (own === '' || detail.elt.dataset.own !== own) {
    event.preventDefault();
    return;
  }
  if (detail.verb !== 'get') {
    detail.headers['X-Fond-Token'] = token();
  }
});
onHtmx('htmx:responseError', ({ xhr }) => banner(wordsFor(xhr.status)));
onHtmx('htmx:sendError', () => banner(wordsFor(0)));
onHtmx('htmx:timeout', () => banner(wordsFor(0)));
onHtmx('htmx:afterOnLoad', ({ successful }) => {
  if (successful && !document.body.dataset.unsaved) {
    banner('');
  }
});
