// Finds the elements of a page by their ids, with their kinds: a page without one of them is a fault of ours, told at once and by name.

/**
 * @template {Element} [T=HTMLElement]
 * @param {string} id @param {new () => T} [kind] HTMLElement unless it is said
 * @returns {T}
 */
export function the(id, kind) {
  const found = document.getElementById(id);
  const wanted = kind ?? HTMLElement;
  if (!(found instanceof wanted)) {
    throw new Error(`This page has no ${wanted.name} '${id}'.`);
  }
  return /** @type {T} */ (/** @type {unknown} */ (found));
}

/** @param {string} id */
export const field = (id) => the(id, HTMLInputElement);

/** @param {string} id */
export const select = (id) => the(id, HTMLSelectElement);

/** @param {string} id */
export const button = (id) => the(id, HTMLButtonElement);

/** @param {string} id */
export const form = (id) => the(id, HTMLFormElement);

/** What a form would send. @param {HTMLFormElement} of @param {HTMLElement | null} [submitter] */
export function fieldsOf(of, submitter = null) {
  const fields = new URLSearchParams();
  for (const [name, value] of new FormData(of, submitter)) {
    if (typeof value === 'string') {
      fields.append(name, value);
    }
  }
  return fields;
}

/**
 * Hears what htmx tells of a request.
 * @param {string} name htmx:afterRequest and the like
 * @param {(detail: { elt: HTMLElement, target?: HTMLElement, verb: string, headers: Record<string, string>, xhr: XMLHttpRequest, successful: boolean }, event: Event) => void} deed
 */
export function onHtmx(name, deed) {
  document.body.addEventListener(name, (event) => deed(/** @type {CustomEvent} */ (event).detail, event));
}

/** @typedef {{ process: (element: Element) => void, ajax: (verb: string, address: string, ways: { source: string, target: string }) => Promise<void> }} Htmx */

/** The library itself, where the page has loaded it. */
export const htmx = () => /** @type {{ htmx?: Htmx }} */ (/** @type {unknown} */ (window)).htmx;
