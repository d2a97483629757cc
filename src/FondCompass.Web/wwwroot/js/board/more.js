// What opens over a board: its box of further keys. Escape closes it, as its own key does.

const box = document.querySelector('.board-more');

/** @param {boolean} isOpen */
export function showMore(isOpen) {
  if (box instanceof HTMLDetailsElement) {
    box.open = isOpen;
  }
}

/** Shuts it; the keys go back to the board. */
export function closeMore() {
  if (box instanceof HTMLDetailsElement && box.open) {
    box.open = false;
    if (document.activeElement instanceof HTMLElement) {
      document.activeElement.blur();
    }
  }
}

box?.addEventListener('keydown', (event) => {
  if (event instanceof KeyboardEvent && event.key === 'Escape') {
    closeMore();
  }
});
