// Asks the server for what a dance's board needs: what does not come in time does not come.

const patience = 8000;

/** @template T @param {string} address @returns {Promise<T | null>} null when it does not come */
export async function fetched(address) {
  try {
    const answer = await fetch(address, { signal: AbortSignal.timeout(patience) });
    return answer.ok ? await answer.json() : null;
  } catch {
    return null;
  }
}

/** Sends taps of the beat. @param {number[]} taps @returns {Promise<Response | null>} */
export async function ask(taps) {
  try {
    const token = document.querySelector('meta[name="fond-token"]')?.getAttribute('content') ?? '';
    return await fetch(`${location.pathname}?handler=Tap`, {
      method: 'POST', headers: { 'Content-Type': 'application/json', 'X-Fond-Token': token }, body: JSON.stringify(taps), signal: AbortSignal.timeout(patience), redirect: 'error',
    });
  } catch {
    return null;
  }
}
