// Drives the Write page.
import './store.js';
import './complete.js';
import './dialogs.js';
import './ruler.js';
import './reading.js';
import './said.js';
import './catchup.js';

// A new dance waits for its title.
const script = /** @type {HTMLTextAreaElement} */ (document.getElementById('script'));
if (/^title \n/.test(script.value)) {
  script.focus();
  script.setSelectionRange(6, 6);
}

// From here on keys do what the page says they do.
/** @type {HTMLElement} */ (document.getElementById('write')).dataset.ready = 'yes';
