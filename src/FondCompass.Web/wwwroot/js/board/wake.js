// Keeps the screen lit while a board is looked at, where the browser can.

/** @type {WakeLockSentinel | null} */
let awake = null;

async function ask() {
  if (document.visibilityState === 'visible' && 'wakeLock' in navigator) {
    try {
      awake = await navigator.wakeLock.request('screen');
    } catch {
      awake = null;
    }
  }
}

/** From here on, and again whenever the page comes back into sight. */
export function stayAwake() {
  document.addEventListener('visibilitychange', ask);
  return ask();
}

/** Whether the browser keeps the screen lit. */
export const isAwake = () => awake !== null && !awake.released;
