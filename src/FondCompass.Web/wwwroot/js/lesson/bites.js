// The bite that is danced now: by itself, from the top to it, its other side; and how it went.
import { put } from '../board/painter.js';
import { say } from '../board/said.js';
import { begin } from './clock.js';
import { tellClass } from './display.js';
import { again, goOn, take } from './player.js';
import { rateWords } from './sound.js';
import { biteNow, block, isOpen, state } from './state.js';
import { slip, told, trouble as tellTrouble } from './telling.js';

const none = 'no bite is danced here';

/** Only the bite that is danced now, round and round; or back to the block. @param {'bite' | 'chain'} how */
export function only(how) {
  const bite = isOpen() ? biteNow() : undefined;
  if (!bite) {
    say(none);
    return;
  }
  if (state.now.how === how) {
    again();
    return;
  }
  const line = how === 'chain' ? bite.fromTop ?? bite.one : bite.one;
  if (!line) {
    return;
  }
  state.otherSide = false;
  take({ how, line, bite: bite.key });
  say(how === 'chain' ? `from the top to ${bite.name}` : `only ${bite.name}`);
  goOn();
  put('rate', rateWords());
  tellClass();
}

/** The other side of the bite, by itself. */
export function other() {
  const bite = isOpen() ? biteNow() : undefined;
  if (!bite?.other || !bite.one) {
    say('nothing here has another side');
    return;
  }
  state.otherSide = !state.otherSide;
  take({ how: 'bite', line: state.otherSide ? bite.other : bite.one, bite: bite.key });
  say(state.otherSide ? `${bite.name}, other side` : `only ${bite.name}`);
  goOn();
  tellClass();
}

/** The block was danced clean: all of it but what is marked as lost. */
export function clean() {
  if (!isOpen()) {
    return;
  }
  if (block().lead !== 'dance' || block().kind === 'show' || block().bites.length === 0) {
    say('only what the class dances is clean');
    return;
  }
  begin();
  slip(`clean at ${state.rate} %`, told('clean', { value: state.rate }));
}

export function trouble() {
  if (!isOpen()) {
    return;
  }
  const bite = biteNow();
  if (!bite) {
    say(none);
    return;
  }
  begin();
  tellTrouble(bite);
}
