// The forms of the board: how many dance, a note, a screen for the class.
import { showMore } from '../board/more.js';
import { put } from '../board/painter.js';
import { say } from '../board/said.js';
import { post } from '../marks.js';
import { button, field, form, the } from '../page.js';
import { id } from './state.js';
import { slip, told } from './telling.js';

/** The keys go back to the board. */
function leave() {
  if (document.activeElement instanceof HTMLElement) {
    document.activeElement.blur();
  }
}

/** Opens the box that a field is in, and goes to the field. @param {string} name */
export function goTo(name) {
  showMore(true);
  the(name).focus();
}

form('tell').addEventListener('submit', (event) => {
  event.preventDefault();
  const heads = field('heads').value.trim();
  const note = field('note').value.trim();
  if (heads !== '' && !/^[0-9]{1,4}$/.test(heads)) {
    say(`'${heads}' is no number of dancers`);
    return;
  }
  if (heads !== '') {
    slip(`${heads} dancers`, told('heads', { value: Number(heads) }));
  }
  if (note !== '') {
    slip('note kept', told('note', { words: note }));
    field('note').value = '';
  }
  leave();
});

button('screen').addEventListener('click', async () => {
  const answer = await post(id, 'Code', {});
  if (!answer?.ok) {
    put('screen-said', 'The server does not answer; a screen in this browser can be opened once it is back.');
    return;
  }
  const { code, address, until } = await answer.json();
  const link = Object.assign(document.createElement('a'), { href: address, target: '_blank', rel: 'opener', textContent: 'Open it here' });
  the('screen-said').replaceChildren(link, ` or, on another screen: ${location.host}/class/${code}, until ${new Date(until).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}.`);
});
