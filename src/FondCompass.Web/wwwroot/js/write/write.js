// Drives the Write page.
import './store.js';
import './complete.js';
import './dialogs.js';
import './ruler.js';
import './reading.js';

// From here on keys do what the page says they do.
/** @type {HTMLElement} */ (document.getElementById('write')).dataset.ready = 'yes';
