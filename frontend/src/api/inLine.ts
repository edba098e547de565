const BEFORE_YOU = 'Jolf-Before-You';
const AGAIN_AFTER = 2;

let before = 0;
const listeners = new Set<() => void>();

function tell(count: number): void {
  before = count;
  for (const listener of listeners) listener();
}

/** How many are measured and drawn before what was asked for here; 0 for none. */
export function beforeYou(): number {
  return before;
}

export function onBeforeYou(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Asks again by itself while others are before it: nothing was done, so nothing is done twice. */
export async function fetchInLine(
  request: Request,
  ask: (request: Request) => Promise<Response>,
  until: number,
): Promise<Response> {
  const asked = await readOnce(request);
  try {
    for (;;) {
      const answer = await ask(asked());
      const count = Number(answer.headers.get(BEFORE_YOU));
      if (answer.status !== 503 || count === 0 || Date.now() > until) return answer;
      tell(count);
      const seconds = Number(answer.headers.get('Retry-After')) || AGAIN_AFTER;
      await new Promise((done) => setTimeout(done, 1000 * seconds));
    }
  } finally {
    if (before > 0) tell(0);
  }
}

/** Makes the same request as often as it is needed: a body can be read only once. */
async function readOnce(request: Request): Promise<() => Request> {
  if (request.method === 'GET') return () => request.clone();
  const body = await request.arrayBuffer();
  const { url, method, headers, credentials, signal } = request;
  return () =>
    new Request(url, {
      ...{ method, headers, credentials, signal },
      ...(body.byteLength > 0 && { body }),
    });
}
