import { afterEach, describe, expect, it, vi } from 'vitest';

import { beforeYou, fetchInLine, onBeforeYou } from './inLine';

function full(before: number): Response {
  return new Response('{}', {
    status: 503,
    headers: { 'Jolf-Before-You': String(before), 'Retry-After': '2' },
  });
}

describe('what is asked for while others are before it', () => {
  afterEach(() => vi.useRealTimers());

  it('is asked for again with its body until it is done, and says how many are before it', async () => {
    vi.useFakeTimers();
    const answers = [full(3), full(1), new Response('done')];
    const bodies: string[] = [];
    const told: number[] = [];
    const stop = onBeforeYou(() => told.push(beforeYou()));
    const request = new Request('http://jolf.test/', { method: 'POST', body: 'sound' });
    const asked = fetchInLine(
      request,
      async (again) => {
        bodies.push(await again.text());
        return answers.shift() ?? new Response('none');
      },
      Date.now() + 60_000,
    );
    await vi.advanceTimersByTimeAsync(10_000);
    expect(await (await asked).text()).toBe('done');
    expect(bodies).toEqual(['sound', 'sound', 'sound']);
    expect(told).toEqual([3, 1, 0]);
    stop();
  });

  it('ends when it has taken too long, and takes any other refusal as it is', async () => {
    const request = new Request('http://jolf.test/');
    const late = await fetchInLine(request, () => Promise.resolve(full(2)), Date.now() - 1);
    expect(late.status).toBe(503);
    const busy = new Response('{}', { status: 503 });
    const refused = await fetchInLine(request, () => Promise.resolve(busy), Date.now() + 60_000);
    expect(refused).toBe(busy);
  });
});
