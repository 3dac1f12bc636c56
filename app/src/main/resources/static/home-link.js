'use strict';
// The fresh link to her page goes into the clipboard by one press; where the browser refuses, it is selected to be copied.
document.addEventListener('alpine:init', () => {
  Alpine.data('copyLink', () => ({
    label: fern.text('copyLink'),
    async copy() {
      const link = document.getElementById('fresh-link');
      try {
        await navigator.clipboard.writeText(link.textContent);
        this.label = fern.text('linkCopied');
      } catch {
        window.getSelection().selectAllChildren(link);
        this.label = fern.text('linkSelected');
      }
    },
  }));
});
