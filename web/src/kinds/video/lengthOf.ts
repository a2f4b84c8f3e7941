/** How long a film is, as the browser that plays it says: one that is at hand, or at an address. */
export function lengthOf(film: File | string): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = document.createElement('video');
    const url = typeof film === 'string' ? film : URL.createObjectURL(film);
    const done = (seconds: number) => {
      if (typeof film !== 'string') URL.revokeObjectURL(url);
      if (Number.isFinite(seconds) && seconds >= 1) resolve(Math.floor(seconds));
      else reject(new Error('no length'));
    };
    probe.preload = 'metadata';
    probe.onloadedmetadata = () => done(probe.duration);
    probe.onerror = () => done(Number.NaN);
    probe.src = url;
  });
}
