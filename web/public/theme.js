// Before the first paint: the theme chosen last, or the one the system asks for.
(() => {
  let chosen;
  try {
    chosen = localStorage.getItem('theme');
  } catch {
    // a browser that keeps nothing
  }
  const dark = chosen ? chosen === 'g100' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.setAttribute('theme', dark ? 'g100' : 'white');
})();
