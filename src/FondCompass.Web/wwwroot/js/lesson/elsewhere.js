// The board runs with music from elsewhere: its beat is tapped, the 1 is set, and counts are added or taken away.
import { put } from '../board/painter.js';
import { clickAt, lastAt } from '../board/timeline.js';
import { post } from '../marks.js';
import { button } from '../page.js';
import { tellClass } from './display.js';
import { play } from './player.js';
import { conductor, fullOf, inWords, lineNow, loadSound, pulse, rateWords } from './sound.js';
import { block, id, state } from './state.js';
import { say, told } from './telling.js';

/** @typedef {import('../board/timeline.js').Timeline} Timeline */
/** @typedef {{ bpm: number, moment: number }} Beat a minute, and seconds on the page's clock at which one was struck */

/** Counts of a track of which nobody knows how long it is; and the fewest that are kept. */
const usualTrack = 64;
const leastTrack = 8;

pulse.say = (words) => { put('tapped', words); say(words); };
pulse.run = runWith;

/** What is counted now, where something is; else it is said. */
function counted() {
  const line = state.lesson ? lineNow() : null;
  if (!line) {
    say('nothing is counted in this block');
  }
  return line;
}

/** @param {Beat} beat */
async function runWith(beat) {
  const line = counted();
  if (!line) {
    return;
  }
  showSource();
  if (!conductor.playing) {
    // Four were tapped: that was the count-in, and the 1 comes with the next beat.
    await play(line.clicks[Math.max(0, line.clicks.findIndex((c) => !c.isCountIn))].at, false);
  }
  loadSound(line);
  const full = fullOf(line);
  state.rate = Math.round(beat.bpm / full * 100);
  put('rate', `${inWords(beat.bpm)}, tapped`);
  told('tap', { value: beat.bpm });
  const here = conductor.position();
  // At that moment a count was struck: the nearest of the board's is put there.
  const then = here + ((beat.moment - performance.now() / 1000) * beat.bpm / full);
  conductor.setRate(beat.bpm / full);
  conductor.jumpTo(here + (nearest(line.clicks.filter((c) => !c.isHalf), then).at - then));
  tellClass();
}

/** @param {import('../board/timeline.js').Click[]} clicks at least one @param {number} moment */
function nearest(clicks, moment) {
  const before = clicks[Math.max(0, lastAt(clicks, moment))];
  const after = clicks[lastAt(clicks, moment) + 1];
  return after && Math.abs(after.at - moment) < Math.abs(before.at - moment) ? after : before;
}

/** The nearest first count of an eight is now. */
export function setOne() {
  moved((line, here) => {
    const ones = line.clicks.filter((c) => c.isFirst);
    return (ones.length > 0 ? nearest(ones, here) : line.clicks[clickAt(line, here)]).at;
  });
}

/** The board goes so many counts on. @param {number} counts */
export function shift(counts) {
  moved((line, here) => here + (counts * 60 / fullOf(line)));
}

/** @param {(line: Timeline, here: number) => number} to seconds on the timeline */
function moved(to) {
  const line = counted();
  if (line && conductor.playing) {
    conductor.jumpTo(to(line, conductor.position()));
    tellClass();
  }
}

/** Tapped music can be kept, and the band can play again. */
function showSource() {
  button('keep-track').disabled = !pulse.isOn;
  button('band').hidden = !pulse.isOn;
}

button('keep-track').addEventListener('click', async () => {
  const counts = state.now.line ? state.now.line.clicks.filter((c) => !c.isCountIn && !c.isHalf).length : usualTrack;
  const answer = await post(id, 'Track', { bpm: pulse.bpm, counts: Math.max(leastTrack, counts) });
  put('tapped', answer?.ok ? `Kept as '${(await answer.json()).title}' among your tracks.` : 'It could not be kept: the server does not answer.');
});
button('band').addEventListener('click', () => {
  pulse.stop();
  showSource();
  put('tapped', '');
  state.rate = Math.round(block().rate);
  if (conductor.playing) {
    play(conductor.position(), true);
  }
  put('rate', rateWords());
});
