// The ruler by mouse or finger: a click chooses, a double click writes, a drag moves, the right edge lengthens.
import { act, edit, refuse } from './changes.js';
import { choiceOf, choose, ruler, showInstead } from './choice.js';

/** Pixels from which a pressed step is carried. */
const carried = 6;

/** `held` is how many counts from the step's beginning it was taken. @type {{ pick: HTMLElement, grip: boolean, x: number, y: number, held: number, moved: boolean } | null} */
let drag = null;

/** The count under a point, and the line it is in. @param {PointerEvent} event */
function countAt(event) {
  const under = document.elementsFromPoint(event.clientX, event.clientY).find((e) => e.closest('svg.eight'))?.closest('svg.eight');
  if (!(under instanceof SVGSVGElement)) {
    return null;
  }
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(under.getScreenCTM()?.inverse());
  const { part = '', line = '1', gutter = '0', notch = '1', first = '1' } = under.dataset;
  return { part, line: Number(line), count: (point.x - Number(gutter)) / Number(notch) + Number(first) };
}

ruler.addEventListener('pointerdown', (event) => {
  const pick = event.target instanceof Element ? event.target.closest('[data-pick]') : null;
  if (pick && event.button === 0) {
    drag = { pick: /** @type {HTMLElement} */ (pick), grip: /** @type {Element} */ (event.target).classList.contains('grip'), x: event.clientX, y: event.clientY, held: (countAt(event)?.count ?? 0) - choiceOf(pick).count, moved: false };
    choose(choiceOf(pick));
    refuse('');
  }
});
ruler.addEventListener('pointermove', (event) => {
  if (drag && !drag.moved && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) > carried && drag.pick.dataset.pick === 'step') {
    drag.moved = true;
    ruler.setPointerCapture(event.pointerId);
    ruler.classList.add('dragging');
  }
  const at = drag?.moved ? countAt(event) : null;
  if (at) {
    showInstead(`${drag?.grip ? 'up to' : 'to'} ${at.part} ${at.line}, count ${drag?.grip ? Math.round(at.count) - 1 : Math.max(1, Math.round(at.count - (drag?.held ?? 0)))}`);
  }
});
ruler.addEventListener('pointerup', (event) => {
  const was = drag;
  drag = null;
  ruler.classList.remove('dragging');
  if (!was?.moved) {
    return;
  }
  const at = countAt(event);
  const own = choiceOf(was.pick);
  if (!at) {
    return;
  }
  const rect = /** @type {SVGRectElement} */ (was.pick.querySelector('rect'));
  const svg = /** @type {SVGElement} */ (was.pick.closest('svg.eight'));
  const length = Math.round(Number(rect.dataset.width) / Number(svg.dataset.notch));
  if (was.grip) {
    const by = Math.round(at.count) - own.count - length;
    if (by !== 0) {
      edit({ act: 'longer', on: 'step', row: own.row, part: own.part, line: own.line, by });
    }
    return;
  }
  // Carried to the right it goes by its right edge, to the left by its left one.
  const start = Math.round(at.count - was.held);
  const isOn = at.part === own.part && at.line === own.line && start > own.count;
  edit({ act: 'moveto', on: 'step', row: own.row, part: at.part, line: at.line, count: Math.max(1, isOn ? start + length : start) });
});
ruler.addEventListener('pointercancel', () => {
  drag = null;
  ruler.classList.remove('dragging');
});
ruler.addEventListener('dblclick', () => act('write'));
