// Leads a lesson block by block from its plan: counted blocks are played, walks are gone through by hand, the others have a clock. What
// happens is told to the server by marks.js; everything that is shown was reckoned there, so that the lesson goes on without it. What each
// button and key does stands here; how it is done, in the modules of lesson/.
import { deedsOf } from './board/along.js';
import { closeMore } from './board/more.js';
import { showKeys } from './board/overlays.js';
import { say } from './board/said.js';
import { fullScreen, tieView, turn } from './board/view.js';
import { on as onKeys } from './keys.js';
import { clean, only, other, trouble } from './lesson/bites.js';
import { back, go, on, skip, toggleLive } from './lesson/blocks.js';
import { callMove, live } from './lesson/calling.js';
import { paint, tellClass } from './lesson/display.js';
import './lesson/elsewhere.js';
import { goTo } from './lesson/forms.js';
import { load } from './lesson/opening.js';
import { back as backToIt, danced, finder, next } from './lesson/others.js';
import { again, changeLevels, changeRate, setRate, whenDanced } from './lesson/player.js';
import { beginAnew, end, lessTime } from './lesson/rest.js';
import { along, conductor, lineNow } from './lesson/sound.js';
import { board, isOpen, state } from './lesson/state.js';
import { undo } from './lesson/telling.js';
import { button } from './page.js';

whenDanced.back = danced;
const looked = { line: () => (state.lesson ? lineNow() : null), changed: () => { paint(); tellClass(); } };
tieView(conductor, looked);

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
  back, on, trouble, clean, skip, again: () => (live.isOn ? toggleLive() : again()), bite: () => only('bite'), chain: () => only('chain'), other, mirror, close: () => { closeMore(); end(); }, less: () => { closeMore(); lessTime(); }, open,
  slower: () => changeRate(-1), faster: () => changeRate(1), lower: () => changeLevels(-1), raise: () => changeLevels(1), call: toggleLive,
  another: () => { closeMore(); finder.open(); }, 'next-dance': next, 'dance-before': backToIt, ...deedsOf(along),
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
button('anew').addEventListener('click', () => { closeMore(); beginAnew(); });

/** Each key and the button it is. @type {Record<string, string>} */
const keys = {
  '→': 'on', '←': 'back', 'Page Up': 'back', '↑': 'faster', '↓': 'slower', A: 'again', B: 'bite', C: 'chain', O: 'other', M: 'mirror', I: 'open', T: 'trouble', G: 'clean', S: 'skip', R: 'less',
  '[': 'lower', ']': 'raise', L: 'call', P: 'tap', Enter: 'one', ',': 'earlier', '.': 'later', '<': 'earlier-one', '>': 'later-one', D: 'another', 'Shift →': 'next-dance', 'Shift ←': 'dance-before',
};
onKeys('Lesson', {
  ...Object.fromEntries(Object.entries(keys).map(([key, name]) => [key, whenOpen(buttons[name])])),
  Space: goOrLoad, 'Page Down': goOrLoad, '+': whenOpen(() => setRate(state.rate + 1)), '-': whenOpen(() => setRate(state.rate - 1)),
  Escape: closeMore, W: whenOpen(() => turn(looked)), F: fullScreen, U: undo, 'Ctrl Z': undo, '?': showKeys, H: () => goTo('heads'), N: () => goTo('note'),
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
