// What opens over a board by a key and is shut by Escape: the keys of this board.
import { the } from '../page.js';

const keys = the('board-keys', HTMLDialogElement);

/** The board goes on behind it. */
export function showKeys() {
  if (!keys.open) {
    keys.showModal();
  }
}

the('all-keys').addEventListener('click', showKeys);
// Outside of it, a press shuts it too.
keys.addEventListener('click', (event) => {
  if (event.target === keys) {
    keys.close();
  }
});
keys.addEventListener('keydown', (event) => {
  if (event.key === '?') {
    keys.close();
  }
});
