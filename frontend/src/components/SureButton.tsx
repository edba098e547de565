import { Button, type ButtonProps } from '@mantine/core';
import { useState } from 'react';

interface Props extends ButtonProps {
  children: string;
  /** What the second touch says. */
  sure: string;
  /** What it is done to, told after the words where the eye sees it beside. */
  of?: string;
  onSure: () => void;
}

/** For what has no way back: the first touch asks, the second does it. */
export function SureButton({ children, sure, of, onSure, ...more }: Props) {
  const [asks, setAsks] = useState(false);
  const words = asks ? sure : children;
  return (
    <Button
      variant={asks ? 'filled' : 'subtle'}
      aria-label={of ? `${words} ${of}` : undefined}
      onBlur={() => setAsks(false)}
      onClick={() => {
        setAsks(!asks);
        if (asks) onSure();
      }}
      {...more}
    >
      {words}
    </Button>
  );
}
