// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';

import { SelfCheck } from './SelfCheck';

const FRAME = { width: 10, height: 10, paths: [] };
const CHECKS = [
  {
    id: 'gap',
    ask: 'A gap between the fingers',
    right: 'there',
    wrong: 'gone',
    picture: { words: ['as it is', 'too much'], frames: [FRAME, FRAME], moves: false },
  },
  { id: 'ball', ask: 'The ball of the thumb', right: 'soft', wrong: 'hard', picture: null },
];

afterEach(cleanup);

describe('the look at the own hand', () => {
  it('shows a hand in each answer where there is one, and words in any case', () => {
    render(<SelfCheck when="before" checks={CHECKS} found={{}} onFound={() => undefined} />);
    const [gap, ball] = screen.getAllByRole('group');
    expect(gap?.querySelectorAll('button svg')).toHaveLength(2);
    expect(ball?.querySelectorAll('svg')).toHaveLength(0);
    expect(screen.getByRole('button', { name: 'hard' })).toBeDefined();
  });

  it('tells which answer was touched, and marks it, and nothing before', async () => {
    const told = vi.fn();
    const { rerender } = render(
      <SelfCheck when="after" checks={CHECKS} found={{}} onFound={told} />,
    );
    expect(screen.queryAllByRole('button', { pressed: true })).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'gone' }));
    expect(told).toHaveBeenCalledWith('gap', false);
    rerender(<SelfCheck when="after" checks={CHECKS} found={{ gap: false }} onFound={told} />);
    expect(screen.getAllByRole('button', { pressed: true }).map((b) => b.textContent)).toEqual([
      'gone',
    ]);
  });
});
