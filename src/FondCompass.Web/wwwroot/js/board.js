// Drives the call board: schedules every click ahead on the audio clock and shows the count, the step now and the step
// next at the moments the server reckoned. Nothing is reckoned here but "which of these moments is now".

const board = /** @type {HTMLElement} */ (document.getElementById('board'));
const $ = (/** @type {string} */ name) => /** @type {any} */ (document.getElementById(name));
const ladder = [60, 75, 90, 100];
/** Seconds ahead that clicks are handed to the audio clock. */
const ahead = 1.5;
/** Seconds between pressing start and the first click. */
const leadIn = 0.12;

/** @typedef {{ at: number, label: string, isCountIn: boolean, isFirst: boolean, repeat: number, line: number, part: string, wall: number | null }} Click */
/** @typedef {{ at: number, name: string, cue: string, foot: string, free: string, facing: string, degrees: number }} Step */
/** @type {{ ratePercent: number, bpm: number, end: number, walls: number, clicks: Click[], steps: Step[], events: { at: number, words: string }[] } | null} */
let line = null;
/** @type {AudioContext | null} */
let audio = null;
let rate = 100;
let playing = false;
/** Audio-clock time of the timeline's zero. */
let zero = 0;
/** Index of the next click to schedule, and of the click shown. */
let nextClick = 0;
let shown = 0;
/** Clicks on their way to the loudspeaker, to be silenced when somebody stops. @type {{ node: OscillatorNode, at: number }[]} */
let underWay = [];
let pump = 0;
let frame = 0;

/** What has been scheduled, for whoever wants to compare it with the moments asked for. @type {{ label: string, at: number, ideal: number }[]} */
const scheduled = [];
Object.assign(window, { fondBoard: { scheduled, state: () => ({ playing, shown, rate, now: audio ? audio.currentTime - zero : 0 }) } });

async function load() {
  const repeats = Math.min(99, Math.max(1, Number($('repeats').value) || 1));
  const answer = await fetch(`${board.dataset.source}&rate=${rate}&repeats=${repeats}`);
  if (!answer.ok) {
    $('phase').textContent = 'the dance cannot be fetched; press Space to try again';
    return false;
  }
  line = await answer.json();
  $('rate').textContent = `${rate} %, ${Math.round((line?.bpm ?? 0) * 10) / 10} a minute`;
  if (line && line.clicks.length <= 4) {
    $('now').textContent = 'This dance has no steps yet';
  }
  return true;
}

/** @param {Click} click @param {number} at */
function sound(click, at) {
  if (!audio || !$('click').checked) {
    return;
  }
  const node = audio.createOscillator();
  const gain = audio.createGain();
  node.frequency.value = click.isFirst ? 1320 : click.isCountIn ? 660 : 880;
  gain.gain.setValueAtTime(click.isFirst ? 0.5 : 0.28, at);
  gain.gain.exponentialRampToValueAtTime(0.001, at + 0.06);
  node.connect(gain).connect(audio.destination);
  node.start(at);
  node.stop(at + 0.07);
  underWay.push({ node, at });
}

function schedule() {
  if (!playing || !audio || !line) {
    return;
  }
  while (nextClick < line.clicks.length && line.clicks[nextClick].at + zero < audio.currentTime + ahead) {
    const click = line.clicks[nextClick];
    const at = zero + click.at;
    if (at >= audio.currentTime) {
      sound(click, at);
      scheduled.push({ label: click.label, at: at - zero, ideal: click.at });
    }
    nextClick++;
  }
  underWay = underWay.filter((u) => u.at > (audio?.currentTime ?? 0) - 0.2);
}

/** Starts at a click; the first four are the count-in. @param {number} from */
async function start(from) {
  audio ??= new AudioContext();
  await audio.resume();
  if (!line && !(await load())) {
    return;
  }
  silence();
  const at = line?.clicks[from]?.at ?? 0;
  zero = audio.currentTime + leadIn - at;
  nextClick = shown = from;
  playing = true;
  $('go').firstChild.textContent = 'Pause ';
  schedule();
  clearInterval(pump);
  pump = setInterval(schedule, 250);
  cancelAnimationFrame(frame);
  frame = requestAnimationFrame(show);
}

function silence() {
  for (const { node } of underWay) {
    node.stop();
  }
  underWay = [];
}

/** @param {string} words */
function stop(words) {
  playing = false;
  clearInterval(pump);
  silence();
  $('phase').textContent = words;
  $('go').firstChild.textContent = 'Start ';
}

function show() {
  if (!playing || !audio || !line) {
    return;
  }
  const now = audio.currentTime - zero;
  while (shown + 1 < line.clicks.length && line.clicks[shown + 1].at <= now) {
    shown++;
  }
  paint(now);
  if (now > line.end + 0.1) {
    shown = 0;
    stop('done');
    return;
  }
  frame = requestAnimationFrame(show);
}

/** @param {string} name @param {string} words */
function put(name, words) {
  const place = $(name);
  if (place.textContent !== words) {
    place.textContent = words;
  }
}

/** @param {number} now seconds on the timeline */
function paint(now) {
  if (!line) {
    return;
  }
  const click = line.clicks[shown];
  const steps = line.steps;
  let current = -1;
  while (current + 1 < steps.length && steps[current + 1].at <= now + 0.001) {
    current++;
  }
  const step = steps[current];
  const next = steps[current + 1];
  put('count', click.label);
  put('phase', click.isCountIn ? 'count-in' : `repeat ${click.repeat}, ${click.part} ${click.line}`);
  put('now', step && !click.isCountIn ? step.name : 'wait');
  put('next', next ? next.name : 'end');
  put('cue-count', next ? `say: ${next.cue}` : '');
  $('foot-l').classList.toggle('on', step?.foot === 'L');
  $('foot-r').classList.toggle('on', step?.foot === 'R');
  if (next) {
    const from = step?.at ?? 0;
    $('wait').value = Math.max(0, Math.min(1, (next.at - now) / Math.max(0.01, next.at - from)));
  }
  put('wall', click.wall ? `wall ${click.wall} of ${line.walls}` : click.isCountIn ? `wall 1 of ${line.walls}` : 'tag');
  put('facing', step ? `facing ${step.facing}` : '');
  $('needle').setAttribute('transform', `rotate(${step?.degrees ?? 0} 30 30)`);
  const event = line.events.find((e) => e.at > now && e.at - now < (16 * 60) / (line?.bpm ?? 100));
  put('ahead', event ? `ahead: ${event.words}` : '');
}

function toggle() {
  if (playing) {
    stop('paused');
  } else {
    start(shown);
  }
}

/** Moves to the first count of another eight. @param {number} way -1 or 1 */
function jump(way) {
  if (!line) {
    return;
  }
  let at = shown + (way > 0 ? 1 : 0);
  if (way < 0) {
    // Back to this eight's first count, or to the one before when it has just begun.
    at = line.clicks[shown].isFirst ? shown - 1 : shown;
  }
  while (at > 0 && at < line.clicks.length && !line.clicks[at].isFirst) {
    at += way;
  }
  at = Math.max(0, Math.min(line.clicks.length - 1, at));
  if (playing) {
    start(at);
  } else {
    shown = at;
    paint(line.clicks[at].at);
  }
}

/** @param {number} way -1 or 1 */
async function changeRate(way) {
  const at = ladder.indexOf(rate) + way;
  if (at < 0 || at >= ladder.length) {
    return;
  }
  rate = ladder[at];
  const wasPlaying = playing;
  if (await load()) {
    if (wasPlaying) {
      await start(shown);
    }
  }
}

$('go').addEventListener('click', toggle);
$('back').addEventListener('click', () => jump(-1));
$('on').addEventListener('click', () => jump(1));
$('slower').addEventListener('click', () => changeRate(-1));
$('faster').addEventListener('click', () => changeRate(1));
$('repeats').addEventListener('change', async () => {
  stop('ready');
  shown = 0;
  await load();
});

document.addEventListener('keydown', (event) => {
  if (event.target instanceof HTMLInputElement && event.target.type === 'number') {
    return;
  }
  const act = {
    ' ': toggle, PageDown: () => jump(1), ArrowRight: () => jump(1), PageUp: () => jump(-1), ArrowLeft: () => jump(-1),
    ArrowUp: () => changeRate(1), ArrowDown: () => changeRate(-1), Home: () => { shown = 0; if (playing) { start(0); } },
  }[event.key];
  if (act && !event.altKey && !event.ctrlKey) {
    event.preventDefault();
    if (document.activeElement instanceof HTMLButtonElement) {
      document.activeElement.blur();
    }
    act();
  }
});

load();
