// Leads a lesson block by block from its plan: counted blocks are played, walks are gone through by hand, the others have a clock. What
// happens is told to the server by marks.js; everything that is shown was reckoned there, so that the lesson goes on without it. What each
// button and key does stands here; how it is done, in the modules of lesson/.
import { closeMore } from './board/more.js';
import { on as onKeys } from './keys.js';
import { clean, only, other, trouble } from './lesson/bites.js';
import { back, close, go, on, skip, toggleLive } from './lesson/blocks.js';
import { callMove, live } from './lesson/calling.js';
import { paint } from './lesson/display.js';
import { setOne, shift } from './lesson/elsewhere.js';
import { goTo } from './lesson/forms.js';
import { load } from './lesson/opening.js';
import { again, changeLevels, changeRate, setRate } from './lesson/player.js';
import { pulse } from './lesson/sound.js';
import { board, isOpen, state } from './lesson/state.js';
import { say, undo } from './lesson/telling.js';
import { button } from './page.js';

/** The one key; before the lesson is there it fetches it. */
const goOrLoad = () => (state.lesson ? go() : load());

/** How the step that is danced goes, a level more. */
function open() {
  state.opened++;
  paint();
}

function mirror() {
  state.mirrored = !state.mirrored;
  button('mirror').setAttribute('aria-pressed', String(state.mirrored));
  say(state.mirrored ? 'mirrored, as seen facing the class' : 'as the class sees it');
  paint();
}

/** What each button does while something can be led. @type {Record<string, () => void>} */
const buttons = {
  back, on, trouble, clean, skip, again: () => (live.isOn ? toggleLive() : again()), bite: () => only('bite'), chain: () => only('chain'), other, mirror, close, open,
  slower: () => changeRate(-1), faster: () => changeRate(1), lower: () => changeLevels(-1), raise: () => changeLevels(1), call: toggleLive,
  tap: () => pulse.tap(performance.now() / 1000), one: setOne, earlier: () => shift(-0.5), later: () => shift(0.5), 'earlier-one': () => shift(-1), 'later-one': () => shift(1),
};

/** Nothing is done before the lesson is there, nor behind its end. @param {() => void} deed */
const whenOpen = (deed) => () => {
  if (isOpen()) {
    deed();
  }
};
for (const [name, deed] of Object.entries(buttons)) {
  button(name).addEventListener('click', whenOpen(deed));
}
button('go').addEventListener('click', goOrLoad);
button('undo').addEventListener('click', undo);

/** Each key and the button it is. @type {Record<string, string>} */
const keys = {
  '→': 'on', '←': 'back', 'Page Up': 'back', '↑': 'faster', '↓': 'slower', A: 'again', B: 'bite', C: 'chain', O: 'other', M: 'mirror', I: 'open', T: 'trouble', G: 'clean', S: 'skip',
  '[': 'lower', ']': 'raise', L: 'call', P: 'tap', Enter: 'one', ',': 'earlier', '.': 'later', '<': 'earlier-one', '>': 'later-one',
};
onKeys('Lesson', {
  ...Object.fromEntries(Object.entries(keys).map(([key, name]) => [key, whenOpen(buttons[name])])),
  Space: goOrLoad, 'Page Down': goOrLoad, '+': whenOpen(() => setRate(state.rate + 1)), '-': whenOpen(() => setRate(state.rate - 1)),
  Escape: closeMore, D: whenOpen(() => goTo('known')), U: undo, 'Ctrl Z': undo,
  '?': () => window.open('/help#keys', '_blank'), H: () => goTo('heads'), N: () => goTo('note'),
  ...Object.fromEntries([...'123456789'].map((digit) => [digit, () => callMove(live.offered[Number(digit) - 1])])),
});
// Pressed with a finger or a mouse, a button gives the keys back to the board.
board.addEventListener('click', (event) => {
  const pressed = event.detail > 0 && event.target instanceof Element ? event.target.closest('button, summary') : null;
  if (pressed instanceof HTMLElement) {
    pressed.blur();
  }
});

load();
