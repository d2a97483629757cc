// Drives the Write page.
import './store.js';
import './complete.js';
import './dialogs.js';
import './ruler.js';
