// @vitest-environment jsdom
import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

import { LiftFlag } from './LiftFlag';

const STOP = {
  raised_on: '2026-11-02',
  reasons: ['pain at night', 'swelling'],
  reason_ids: ['night', 'swelling'],
  lifted_on: null,
  note: '',
  from_home: false,
  mistaken: false,
};
const REFUSED = {
  code: 'bad_input',
  message: 'The note says too little.',
  fields: [{ field: 'note', problem: 'say in a sentence what has changed' }],
};

const sent: unknown[] = [];
let answer: () => { data?: unknown; error?: unknown; response: Response };

vi.mock('../api/client', async (original) => ({
  ...(await original<typeof import('../api/client')>()),
  client: {
    POST: (_path: string, { body }: { body: unknown }) => {
      sent.push(body);
      return Promise.resolve().then(answer);
    },
  },
}));

beforeEach(() => {
  vi.stubGlobal('matchMedia', () => ({
    matches: false,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }));
  Object.defineProperty(document, 'fonts', {
    configurable: true,
    value: { addEventListener: () => undefined, removeEventListener: () => undefined },
  });
  HTMLDialogElement.prototype.showModal = function show() {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function close() {
    this.open = false;
  };
  sent.length = 0;
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

async function liftWith(note: string) {
  render(
    <QueryClientProvider client={new QueryClient()}>
      <MantineProvider>
        <LiftFlag playerId={7} stop={STOP} />
      </MantineProvider>
    </QueryClientProvider>,
  );
  await userEvent.click(screen.getByText('Lift with a note'));
  await userEvent.type(screen.getByLabelText(/What has changed/), note);
  await userEvent.click(screen.getByRole('button', { name: 'Lift the stop' }));
}

describe('lifting a stop', () => {
  it('names to the server what stood before the teacher, by what it is and not by its words', async () => {
    answer = () => ({ data: STOP, response: Response.json(STOP) });
    await liftWith('Seen by a doctor; may play.');
    await vi.waitFor(() => expect(screen.queryByLabelText(/What has changed/)).toBeNull());
    expect(sent).toEqual([{ note: 'Seen by a doctor; may play.', reasons: ['night', 'swelling'] }]);
  });

  it('keeps what was typed and says what is the matter where it is refused', async () => {
    answer = () => ({ error: REFUSED, response: Response.json(REFUSED, { status: 422 }) });
    await liftWith('ok');
    await screen.findByText('say in a sentence what has changed');
    expect(screen.getByLabelText<HTMLTextAreaElement>(/What has changed/).value).toBe('ok');
  });

  it('keeps it where there is no network', async () => {
    answer = () => {
      throw new TypeError('Failed to fetch');
    };
    await liftWith('Seen by a doctor');
    await vi.waitFor(() => expect(sent.length).toBeGreaterThan(0));
    expect(screen.getByLabelText<HTMLTextAreaElement>(/What has changed/).value).toBe(
      'Seen by a doctor',
    );
  });
});
