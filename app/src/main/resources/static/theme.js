// Runs before the page is drawn, so that the chosen theme does not flash.
(function () {
  const kept = localStorage.getItem('theme');
  const dark = window.matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.bsTheme = kept || (dark ? 'dark' : 'light');
})();
