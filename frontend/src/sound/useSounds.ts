import { useEffect, useRef, useState } from 'react';

/** The sounds of this page by take, to be heard again until it is left. */
export function useSounds() {
  const [kept, setKept] = useState<ReadonlyMap<number, { address: string; sound: Blob }>>(
    new Map(),
  );
  const made = useRef<string[]>([]);
  useEffect(() => () => made.current.forEach((address) => URL.revokeObjectURL(address)), []);
  return {
    of: (id: number) => kept.get(id),
    keep: (id: number | undefined, sound: Blob) => {
      if (id === undefined) return;
      const address = URL.createObjectURL(sound);
      made.current.push(address);
      setKept((before) => new Map(before).set(id, { address, sound }));
    },
  };
}
