// The lesson's board runs with music from elsewhere; and what was tapped is kept as a track.
import { put } from '../board/painter.js';
import { post } from '../marks.js';
import { button } from '../page.js';
import { tellClass } from './display.js';
import { play } from './player.js';
import { along, conductor, lineNow, loadSound, rateWords } from './sound.js';
import { block, id, state } from './state.js';
import { told } from './telling.js';

/** Counts of a track of which nobody knows how long it is; and the fewest that are kept. */
const usualTrack = 64;
const leastTrack = 8;

Object.assign(along.host, {
  line: () => (state.lesson ? lineNow() : null),
  play: (/** @type {number} */ from) => play(from),
  load: loadSound,
  went: (/** @type {number} */ bpm, /** @type {number} */ percent) => {
    state.rate = percent;
    button('keep-track').disabled = false;
    told('tap', { value: bpm });
  },
  moved: tellClass,
  back: () => {
    button('keep-track').disabled = true;
    state.rate = Math.round(block().rate);
    if (conductor.playing) {
      play(conductor.position(), true);
    }
    put('rate', rateWords());
  },
});

button('keep-track').addEventListener('click', async () => {
  const counts = state.now.line ? state.now.line.clicks.filter((c) => !c.isCountIn && !c.isHalf).length : usualTrack;
  const answer = await post(id, 'Track', { bpm: along.bpm, counts: Math.max(leastTrack, counts) });
  put('tapped', answer?.ok ? `Kept as '${(await answer.json()).title}' among your tracks.` : 'It could not be kept: the server does not answer.');
});
