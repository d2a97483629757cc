// Tells the server, by a cookie, whether there is room for a whole eight in one row; where that changes, what is drawn is drawn anew.
const narrow = matchMedia('(max-width: 40rem)');

function tell() {
  const paper = narrow.matches ? 'narrow' : 'wide';
  const isNew = !document.cookie.split('; ').includes(`fond-paper=${paper}`);
  document.cookie = `fond-paper=${paper}; path=/; max-age=31536000; samesite=lax`;
  const isDrawn = document.querySelector('.eight.folded') !== null;
  if (isNew || (document.querySelector('#ruler .eight') !== null && isDrawn !== narrow.matches)) {
    document.getElementById('script')?.dispatchEvent(new Event('redraw', { bubbles: true }));
  }
}

narrow.addEventListener('change', tell);
addEventListener('load', tell);
