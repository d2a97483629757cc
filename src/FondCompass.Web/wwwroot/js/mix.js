// What a score sounds like, and how loud each of its voices is.
/** @typedef {import('./conductor.js').Note} Note */
/** @typedef {import('./conductor.js').Conductor} Conductor */

const voices = ['kick', 'snare', 'hat', 'bass', 'tune'];

/** @typedef {{ seconds: number, notes: number[][], counts: number[], bars: number[] }} Score a song as the server reckoned it: notes as moment, length, voice, pitch and weight, moments of the counts, and each count's place in its bar */

/** The server's score as notes, with a click on every count. @param {Score} score @returns {Note[]} */
export function notesOf(score) {
  const notes = score.notes.map(([at, length, voice, pitch, strong]) => ({ at, length, voice: voices[voice], pitch, strong: strong === 1 }));
  for (let i = 0; i < score.counts.length - 1; i++) {
    notes.push({ at: score.counts[i], length: 0.06, voice: 'click', pitch: 880, strong: score.bars[i] === 0 });
  }
  return notes.sort((a, b) => a.at - b.at);
}

/** Ties the mix's sliders to a conductor; levels are remembered in this browser. @param {Conductor} conductor */
export function tieMix(conductor) {
  const sliders = /** @type {NodeListOf<HTMLInputElement>} */ (document.querySelectorAll('[data-mix]'));
  const only = /** @type {HTMLInputElement | null} */ (document.getElementById('only-click'));
  const apply = () => {
    for (const slider of sliders) {
      const bus = slider.dataset.mix ?? '';
      conductor.setMix(bus, only?.checked ? (bus === 'click' ? 1 : 0) : Number(slider.value) / 100);
      localStorage.setItem(`fond-mix-${bus}`, slider.value);
    }
  };
  for (const slider of sliders) {
    slider.value = localStorage.getItem(`fond-mix-${slider.dataset.mix}`) ?? slider.value;
    slider.addEventListener('input', apply);
  }
  only?.addEventListener('change', apply);
  apply();
}
