// Makes a list of a field in which things stand one after the other: what is wanted is searched for and chosen, put in another order by
// keys or by dragging, and taken out. The field itself stays, hidden, and is sent as before; without this script it is written in.

/** Milliseconds after the last key until it is searched. */
const typing = 120;
const patience = 4000;
/** Milliseconds after leaving the search until what is written there is taken. */
const leaving = 300;
/** What is offered at once. */
const most = 8;

/** What a search answers: names, or things with titles. @param {unknown} found @returns {string} */
const nameOf = (found) => (typeof found === 'string' ? found : String(/** @type {{ title: string }} */ (found).title));

let number = 0;

class Picked {
  /** @param {HTMLInputElement | HTMLTextAreaElement} field */
  constructor(field) {
    this.field = field;
    this.split = field.dataset.split === 'rows' ? '\n' : ',';
    this.asked = 0;
    this.timer = 0;
    this.chosen = -1;
    /** @type {string[]} */
    this.offers = [];
    const id = `picked-${++number}`;
    const label = field.closest('label');
    const words = (label?.firstChild?.textContent ?? field.name).trim().replace(/,?\s*with commas$/, '').replace(/, a row each.*$/, '');
    this.box = Object.assign(document.createElement('div'), { className: 'picked' });
    this.list = document.createElement('ol');
    this.list.className = 'picked-list';
    this.list.setAttribute('aria-label', `${words}: chosen`);
    this.search = document.createElement('input');
    this.search.autocomplete = 'off';
    this.search.placeholder = field.dataset.adds ?? 'search and add';
    this.search.dataset.adds = field.name;
    for (const [name, value] of Object.entries({ role: 'combobox', 'aria-expanded': 'false', 'aria-autocomplete': 'list', 'aria-controls': id, 'aria-label': `${words}: search and add` })) {
      this.search.setAttribute(name, value);
    }
    this.offer = document.createElement('ul');
    this.offer.id = id;
    this.offer.className = 'picked-offers';
    this.offer.setAttribute('role', 'listbox');
    this.offer.setAttribute('aria-label', 'Found');
    this.offer.hidden = true;
    this.said = document.createElement('span');
    this.said.className = 'visually-hidden';
    this.said.setAttribute('role', 'status');
    this.box.append(this.list, this.search, this.offer, this.said);
    // A label would send every press on a chosen thing to its field.
    const heading = Object.assign(document.createElement('span'), { className: 'picked-label', textContent: words });
    (label ?? field).before(heading, this.box);
    (label ?? field).hidden = true;
    field.dataset.isPicked = 'yes';
    // What is searched for is none of the form's words yet.
    this.search.addEventListener('input', (event) => { event.stopPropagation(); this.type(); });
    this.search.addEventListener('keydown', (event) => this.press(event));
    // Not at once: what was pressed stays where it is until it is pressed.
    this.search.addEventListener('blur', () => setTimeout(() => this.leave(), leaving));
    field.addEventListener('change', () => this.show());
    field.addEventListener('refilled', () => this.show());
    this.show();
  }

  /** What is chosen, in its order. */
  get items() {
    return this.field.value.split(this.split).map((w) => w.trim()).filter((w) => w !== '');
  }

  /** @param {string[]} items @param {string} said */
  keep(items, said) {
    this.field.value = items.join(this.split === '\n' ? '\n' : ', ');
    this.show();
    this.said.textContent = said;
    this.field.dispatchEvent(new Event('input', { bubbles: true }));
  }

  show() {
    const items = this.items;
    this.list.hidden = items.length === 0;
    this.list.replaceChildren(...items.map((name, i) => {
      const row = document.createElement('li');
      row.draggable = true;
      const item = Object.assign(document.createElement('button'), { type: 'button', className: 'picked-item', textContent: name });
      item.setAttribute('aria-label', `${name}, ${i + 1} of ${items.length}; Alt and arrows move it, Delete takes it out`);
      item.addEventListener('keydown', (event) => this.pressItem(event, i));
      const out = Object.assign(document.createElement('button'), { type: 'button', className: 'picked-out', textContent: '×' });
      out.setAttribute('aria-label', `Take out ${name}`);
      out.addEventListener('click', () => this.takeOut(i));
      row.append(item, out);
      row.addEventListener('dragstart', (event) => event.dataTransfer?.setData('text/plain', String(i)));
      row.addEventListener('dragover', (event) => event.preventDefault());
      row.addEventListener('drop', (event) => {
        event.preventDefault();
        const from = Number(event.dataTransfer?.getData('text/plain'));
        if (Number.isInteger(from) && from !== i && items[from] !== undefined) {
          this.move(from, i);
        }
      });
      return row;
    }));
  }

  /** @param {number} from @param {number} to */
  move(from, to) {
    const items = this.items;
    if (to < 0 || to >= items.length) {
      return;
    }
    const [moved] = items.splice(from, 1);
    items.splice(to, 0, moved);
    this.keep(items, `${moved} is ${to + 1} of ${items.length}`);
    this.focusItem(to);
  }

  /** @param {number} at */
  takeOut(at) {
    const items = this.items;
    const [gone] = items.splice(at, 1);
    this.keep(items, `${gone} is taken out`);
    if (items.length > 0) {
      this.focusItem(Math.min(at, items.length - 1));
    } else {
      this.search.focus();
    }
  }

  /** @param {number} at */
  focusItem(at) {
    /** @type {HTMLElement | null} */ (this.list.querySelectorAll('.picked-item')[at] ?? null)?.focus();
  }

  /** @param {string} name */
  add(name) {
    const words = name.trim();
    const items = this.items;
    this.search.value = '';
    this.close();
    if (words === '') {
      return;
    }
    if (items.some((i) => i.toLocaleLowerCase() === words.toLocaleLowerCase())) {
      this.said.textContent = `${words} is there already`;
      return;
    }
    this.keep([...items, words], `${words} is added`);
  }

  type() {
    // What is pasted, or written with commas, comes in one by one.
    if (this.search.value.includes(this.split === '\n' ? '\n' : ',')) {
      const parts = this.search.value.split(this.split);
      const rest = parts.pop() ?? '';
      parts.forEach((p) => this.add(p));
      this.search.value = rest.trimStart();
    }
    clearTimeout(this.timer);
    this.timer = window.setTimeout(() => this.look(), typing);
  }

  async look() {
    const typed = this.search.value.trim();
    const asking = ++this.asked;
    if (typed === '') {
      this.close();
      return;
    }
    try {
      const answer = await fetch(`${this.field.dataset.list}${encodeURIComponent(typed)}`, { signal: AbortSignal.timeout(patience), redirect: 'error' });
      if (asking === this.asked && answer.ok) {
        const taken = new Set(this.items.map((i) => i.toLocaleLowerCase()));
        this.showOffers(/** @type {unknown[]} */ (await answer.json()).map(nameOf).filter((n) => !taken.has(n.toLocaleLowerCase())).slice(0, most));
      }
    } catch {
      // Without the server what is typed is taken as it is.
    }
  }

  /** @param {string[]} offers */
  showOffers(offers) {
    this.offers = offers;
    this.chosen = offers.length > 0 ? 0 : -1;
    this.offer.hidden = offers.length === 0;
    this.search.setAttribute('aria-expanded', String(offers.length > 0));
    this.offer.replaceChildren(...offers.map((name, i) => {
      const row = Object.assign(document.createElement('li'), { id: `${this.offer.id}-${i}`, textContent: name });
      row.setAttribute('role', 'option');
      row.addEventListener('pointerdown', (event) => {
        event.preventDefault();
        this.add(name);
        this.search.focus();
      });
      return row;
    }));
    this.mark();
  }

  mark() {
    [...this.offer.children].forEach((row, i) => row.setAttribute('aria-selected', String(i === this.chosen)));
    if (this.chosen >= 0) {
      this.search.setAttribute('aria-activedescendant', `${this.offer.id}-${this.chosen}`);
    } else {
      this.search.removeAttribute('aria-activedescendant');
    }
  }

  close() {
    this.asked++;
    clearTimeout(this.timer);
    this.showOffers([]);
  }

  /** What was typed and not chosen is taken as it is: nothing that was written is lost. */
  take() {
    this.add(this.search.value);
  }

  leave() {
    if (document.activeElement !== this.search) {
      this.take();
    }
  }

  /** @param {KeyboardEvent} event */
  press(event) {
    const items = this.items;
    if (event.key === 'Enter') {
      if (this.search.value.trim() !== '') {
        event.preventDefault();
        const typed = this.search.value.trim().toLocaleLowerCase();
        this.add(this.offers.find((o) => o.toLocaleLowerCase() === typed) ?? (this.chosen >= 0 ? this.offers[this.chosen] : this.search.value));
      }
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      if (this.offers.length > 0) {
        event.preventDefault();
        this.chosen = (this.chosen + (event.key === 'ArrowDown' ? 1 : -1) + this.offers.length) % this.offers.length;
        this.mark();
      }
    } else if (event.key === 'Escape' && !this.offer.hidden) {
      event.preventDefault();
      this.close();
    } else if (event.key === 'Backspace' && this.search.value === '' && items.length > 0) {
      event.preventDefault();
      this.focusItem(items.length - 1);
    }
  }

  /** @param {KeyboardEvent} event @param {number} at */
  pressItem(event, at) {
    const back = event.key === 'ArrowLeft' || event.key === 'ArrowUp';
    const on = event.key === 'ArrowRight' || event.key === 'ArrowDown';
    if (event.altKey && (back || on)) {
      this.move(at, at + (back ? -1 : 1));
    } else if (back || on) {
      if (at + (back ? -1 : 1) >= this.items.length) {
        this.search.focus();
      } else {
        this.focusItem(Math.max(0, at + (back ? -1 : 1)));
      }
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      this.takeOut(at);
    } else {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  }
}

/** @type {Picked[]} */
const lists = [];

/** Every field of the page that is a list and is not shown as one yet. */
export function showLists() {
  for (const field of document.querySelectorAll('[data-list]:not([data-is-picked])')) {
    if (field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement) {
      lists.push(new Picked(field));
    }
  }
}

// A form takes what is written in its searches with it.
document.addEventListener('submit', (event) => lists.filter((l) => event.target instanceof Element && event.target.contains(l.search)).forEach((l) => l.take()), true);
document.addEventListener('shown', showLists);
document.body.addEventListener('htmx:afterSettle', showLists);
showLists();
