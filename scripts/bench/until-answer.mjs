/** Taps what opens the Test station, and gives the milliseconds until its first answer can be given. Runs in the page. */
export function untilAnswer() {
  return new Promise((resolve) => {
    const began = performance.now();
    const seen = new MutationObserver(() => {
      if (!document.querySelector('.answers button')) return;
      seen.disconnect();
      resolve(performance.now() - began);
    });
    seen.observe(document.body, { childList: true, subtree: true });
    [...document.querySelectorAll('button')].find((b) => b.textContent === 'Leave it out')?.click();
  });
}
