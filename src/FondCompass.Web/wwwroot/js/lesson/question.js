// Asks before something that ends or discards: what happens is said first, and no is the answer that lies nearest.
import { the } from '../page.js';
import { put } from '../board/painter.js';

const dialog = the('question', HTMLDialogElement);

/** @param {string} asks @param {string} more what happens then @param {string} yes the button's words @returns {Promise<boolean>} */
export function ask(asks, more, yes) {
  put('question-asks', asks);
  put('question-more', more);
  put('question-yes', yes);
  dialog.returnValue = 'no';
  dialog.showModal();
  return new Promise((answer) => {
    dialog.addEventListener('close', () => answer(dialog.returnValue === 'yes'), { once: true });
  });
}
