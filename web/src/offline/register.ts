/** Lets the page start without signal from now on; without a secure address the browser offers no such thing. */
export function registerWorker() {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  window.addEventListener('load', () => {
    void navigator.serviceWorker.register('/worker.js', { type: 'module' }).catch(() => undefined);
  });
}
