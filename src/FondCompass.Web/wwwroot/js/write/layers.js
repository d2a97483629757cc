// Shows what arms, hips, head and claps do in lanes of their own below each eight, when they are asked for; kept in this browser.
const button = /** @type {HTMLButtonElement} */ (document.getElementById('layers'));
const ruler = /** @type {HTMLElement} */ (document.getElementById('ruler'));
const kept = 'fond-layers';

/** @param {boolean} is */
function show(is) {
  button.setAttribute('aria-pressed', String(is));
  ruler.classList.toggle('with-layers', is);
  localStorage.setItem(kept, is ? 'yes' : '');
}

button.addEventListener('click', () => show(button.getAttribute('aria-pressed') !== 'true'));
show(localStorage.getItem(kept) === 'yes');
