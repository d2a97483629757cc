// Drives the board of one dance: what each of its buttons and keys does. How it is done stands in the modules of dance/ and board/.
import { deedsOf } from './board/along.js';
import { closeMore } from './board/more.js';
import { showKeys } from './board/overlays.js';
import { fullScreen, tieView, turn } from './board/view.js';
import { stayAwake } from './board/wake.js';
import { back, finder, next } from './dance/others.js';
import { along, changeRate, conductor, fromTheTop, jump, lineNow, load, loadBand, nudge, open, repaint, takeRate, takeRepeats, toggle } from './dance/player.js';
import { on } from './keys.js';
import { button, field, the } from './page.js';

export { conductor };

const looked = { line: lineNow, changed: repaint };
tieView(conductor, looked);

/** What each button does. @type {Record<string, () => void>} */
const buttons = {
  go: toggle, open, back: () => jump(-1), on: () => jump(1), slower: () => changeRate(-1), faster: () => changeRate(1), another: () => { closeMore(); finder.open(); }, 'next-dance': next, 'dance-before': back, ...deedsOf(along),
};
for (const [name, deed] of Object.entries(buttons)) {
  button(name).addEventListener('click', deed);
}
field('rate-wanted').addEventListener('change', takeRate);
field('repeats').addEventListener('change', takeRepeats);

on('Teach', {
  Space: toggle, '→': buttons.on, 'Page Down': buttons.on, '←': buttons.back, 'Page Up': buttons.back, '↑': buttons.faster, '↓': buttons.slower,
  '+': () => nudge(1), '-': () => nudge(-1), Home: fromTheTop, I: open, D: buttons.another, 'Shift →': next, 'Shift ←': back, W: () => turn(looked), F: fullScreen, Escape: closeMore, '?': showKeys,
  P: buttons.tap, Enter: buttons.one, ',': buttons.earlier, '.': buttons.later, '<': buttons['earlier-one'], '>': buttons['later-one'],
});
// Pressed with a finger or a mouse, a button gives the keys back to the board.
the('board').addEventListener('click', (event) => {
  if (event.detail > 0 && event.target instanceof Element) {
    event.target.closest('button')?.blur();
  }
});

stayAwake();
load().then(loadBand);
