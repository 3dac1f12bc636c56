'use strict';
// Whether what answers is the house itself and has put down exactly this entry. Nothing else, whatever its status, makes a
// browser forget an entry: a hotel's sign-in page answers in our place, too.
window.fernReceipt = (() => {
  /** From our own address, not led elsewhere, and in the form we agreed on: the body, or null. */
  async function ours(answer) {
    const sameOrigin = new URL(answer.url, window.location.href).origin === window.location.origin;
    const json = (answer.headers.get('content-type') || '').startsWith('application/json');
    if (!sameOrigin || answer.redirected || !json) { return null; }
    try { return await answer.json(); } catch (noJson) { return null; }
  }

  function isFor(told, id, body) {
    const receipt = told && told.receipt;
    return Boolean(receipt && receipt.id === id && receipt.digest === sha256(body));
  }

  /** A refusal with a name, from us. */
  function refusal(answer, told) {
    return told && typeof told.refused === 'string' && answer.status >= 400 && answer.status < 500 ? told : null;
  }

  return { ours, isFor, refusal };
})();
