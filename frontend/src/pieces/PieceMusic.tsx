import { Button } from '@mantine/core';

import { useKeys } from '../components/useKeys';
import css from './PiecePage.module.css';
import type { Passage } from './pieces';

const REACH = 32; // pixels
const NOTE_ID = /^note-(\d+)$/;

interface Props {
  passage: Passage;
  isBusy: boolean;
  onChoose: (number: number | null) => void;
  onAnother: () => void;
}

/** The music with its fingers: a note that is touched is chosen, and other fingers are a key away. */
export function PieceMusic({ passage, isBusy, onChoose, onAnother }: Props) {
  useKeys({ p: onAnother });
  return (
    <>
      {passage.music === '' && (
        <p>This music could not be drawn; its fingers and loads stand below all the same.</p>
      )}
      <div
        className={css.music}
        role="img"
        aria-label="The music with fingers and places to let go. The table below holds every note."
        onClick={(event) => onChoose(nearestNote(event.currentTarget, event, passage.notes))}
        // Drawn by our own server from a part that it has cleaned.
        dangerouslySetInnerHTML={{ __html: passage.music }}
      />
      <div className={css.row}>
        <Button variant="default" aria-keyshortcuts="p" loading={isBusy} onClick={onAnother}>
          Other fingers
        </Button>
        <span role="status">
          {passage.taste === '' ? 'Fingers as usual.' : `Proposed now: ${passage.taste}.`}
        </span>
      </div>
    </>
  );
}

/** The number of the note whose head is nearest to a touch; null for none within reach. */
function nearestNote(
  music: HTMLElement,
  touch: { clientX: number; clientY: number },
  notes: Passage['notes'],
): number | null {
  // A note that is tied to the one before is no note of its own.
  const known = new Set(notes.map((note) => note.number));
  let nearest: number | null = null;
  let reach = REACH;
  for (const note of music.querySelectorAll<SVGElement>('g[id^="note-"]')) {
    const number = Number(NOTE_ID.exec(note.id)?.[1]);
    const box = (note.querySelector('.notehead') ?? note).getBoundingClientRect();
    const away = Math.hypot(
      box.left + box.width / 2 - touch.clientX,
      box.top + box.height / 2 - touch.clientY,
    );
    if (known.has(number) && away < reach) {
      nearest = number;
      reach = away;
    }
  }
  return nearest;
}
