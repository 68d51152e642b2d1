/**
 * Sends what is said of one thing one at a time. What is said while another is on its way waits, and of several that
 * wait only the last goes out, since each says all of it; what is on its way already is not sent twice. True once this
 * one was taken. Without it a quick hand over a slow line fills the queue faster than it empties.
 */
export function lastOnly<T>(send: (key: string, what: T) => Promise<boolean>) {
  const flying = new Map<string, T>();
  const waiting = new Map<string, { what: T; passed: (taken: boolean) => void }>();
  const alike = (a: T, b: T) => JSON.stringify(a) === JSON.stringify(b);

  async function go(key: string, what: T): Promise<boolean> {
    flying.set(key, what);
    try {
      return await send(key, what);
    } finally {
      flying.delete(key);
      const next = waiting.get(key);
      waiting.delete(key);
      if (next) void go(key, next.what).then(next.passed, () => next.passed(false));
    }
  }

  return (key: string, what: T): Promise<boolean> => {
    const now = flying.get(key);
    if (now === undefined) return go(key, what);
    waiting.get(key)?.passed(false);
    waiting.delete(key);
    if (alike(now, what)) return Promise.resolve(false);
    return new Promise((passed) => waiting.set(key, { what, passed }));
  };
}
