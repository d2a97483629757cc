// Drives the Write page.
import './store.js';
import './complete.js';
import './dialogs.js';
import './ruler.js';
import './reading.js';
import './said.js';
import './catchup.js';
import './layers.js';
import { isUntouched } from './text.js';

// A new dance waits for its first step, where the advice says; on a phone, where the ruler comes first, any other is looked at before it is written.
const script = /** @type {HTMLTextAreaElement} */ (document.getElementById('script'));
const isNew = isUntouched();
if (isNew || !matchMedia('(max-width: 40rem)').matches) {
  script.focus({ preventScroll: !isNew });
}
if (isNew) {
  script.setSelectionRange(script.value.length, script.value.length);
}

// From here on keys do what the page says they do.
/** @type {HTMLElement} */ (document.getElementById('write')).dataset.ready = 'yes';
