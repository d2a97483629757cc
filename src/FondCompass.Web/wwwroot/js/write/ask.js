// Questions to the page's handlers: the text goes along, the answer is a fragment or a value.
import { banner, token, wordsFor } from '../app.js';
import { box } from './text.js';

/** How long an answer is waited for, in milliseconds. */
const patience = 8000;
const id = document.getElementById('write')?.dataset.id ?? '';

/**
 * @param {string} handler @param {Record<string, string | number>} [fields] @param {RequestInit} [options]
 * @returns {Promise<Response | null>} null when it did not work, which has been said then.
 */
export async function ask(handler, fields = {}, options = {}) {
  const body = new URLSearchParams({ script: box.value });
  for (const [name, value] of Object.entries(fields)) {
    body.set(name, String(value));
  }
  try {
    const answer = await fetch(`/dances/${id}/write?handler=${handler}`, {
      method: 'POST', headers: { 'X-Fond-Token': token() }, body, redirect: 'manual', ...options,
      signal: AbortSignal.any([AbortSignal.timeout(patience), ...(options.signal ? [options.signal] : [])]),
    });
    if (answer.ok) {
      return answer;
    }
    banner(wordsFor(answer.type === 'opaqueredirect' ? 401 : answer.status));
  } catch (problem) {
    if (!(problem instanceof DOMException && problem.name === 'AbortError')) {
      banner(wordsFor(0));
    }
  }
  return null;
}
