// Drives the Write page.
import './store.js';
import './complete.js';
import './dialogs.js';
import './ruler.js';
import './reading.js';
import './said.js';
import './catchup.js';
import './layers.js';

// A new dance waits for its title; on a phone, where the ruler comes first, any other is looked at before it is written.
const script = /** @type {HTMLTextAreaElement} */ (document.getElementById('script'));
const isNew = /^title \n/.test(script.value);
if (isNew || !matchMedia('(max-width: 40rem)').matches) {
  script.focus({ preventScroll: !isNew });
}
if (isNew) {
  script.setSelectionRange(6, 6);
}

// From here on keys do what the page says they do.
/** @type {HTMLElement} */ (document.getElementById('write')).dataset.ready = 'yes';
