import { useLayoutEffect, useRef, useState } from 'react';

import { Key } from '../components/Key';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { type BarBox, loadStrings } from './loadStrings';
import css from './PieceMusic.module.css';
import type { Passage } from '../pieces/pieces';
import * as say from '../messages/compiled/piece';

const REACH = 32; // pixels
const NOTE_ID = /^note-(\d+)$/;

interface Props {
  passage: Passage;
  /** The place that is opened, as bars counted from the first in the file. */
  place: number[];
  isBusy: boolean;
  onChoose: (number: number | null) => void;
  onAnother: () => void;
}

interface Drawn {
  width: number;
  height: number;
  bars: BarBox[];
}

/** The music with its fingers, and below each system its load as a string: a note that is touched is
 * chosen, and other fingers are a key away. */
export function PieceMusic({ passage, place, isBusy, onChoose, onAnother }: Props) {
  useKeys({ p: onAnother });
  const music = useRef<HTMLDivElement>(null);
  const [drawn, setDrawn] = useState<Drawn | null>(null);
  useLayoutEffect(() => {
    if (music.current) setDrawn(measured(music.current));
  }, [passage.music]);
  const shares = passage.bars.map((bar) => bar.share);
  return (
    <>
      {passage.music === '' && <p className={css.none}>{say.thisMusicCouldNotBe()}</p>}
      <div className={css.scroll} tabIndex={0} role="region" aria-label={say.music()}>
        <div className={css.whole}>
          {drawn && (
            <svg
              className={css.load}
              viewBox={`0 0 ${drawn.width} ${drawn.height}`}
              aria-hidden="true"
            >
              {loadStrings(drawn.bars, shares).map((path, system) => (
                <path key={system} d={path} />
              ))}
              {placeBoxes(drawn.bars, place, passage.first).map((box) => (
                <rect key={`${box.x} ${box.y}`} rx={8} {...box} />
              ))}
            </svg>
          )}
          <div
            ref={music}
            className={css.music}
            role="img"
            aria-label={say.theMusicWithFingersAnd()}
            onClick={(event) => onChoose(nearestNote(event.currentTarget, event, passage.notes))}
            // Drawn by our own server from a part that it has cleaned.
            dangerouslySetInnerHTML={{ __html: passage.music }}
          />
        </div>
      </div>
      <div className={css.row}>
        <button
          type="button"
          className={touch.word}
          aria-keyshortcuts="p"
          disabled={isBusy}
          onClick={onAnother}
        >
          {say.otherFingers()}
          <Key name="p" />
        </button>
        <span role="status">
          {passage.taste === '' ? say.fingersAsUsual() : say.proposedNow({ taste: passage.taste })}
        </span>
      </div>
    </>
  );
}

/** Where each bar stands in the picture as it was drawn. */
function measured(music: HTMLElement): Drawn {
  const whole = music.getBoundingClientRect();
  const bars = [...music.querySelectorAll('g.measure')].map((measure) => {
    const staff = (measure.querySelector('g.staff > path') ?? measure).getBoundingClientRect();
    const own = [...measure.querySelectorAll('g.staff > path')].map((line) =>
      line.getBoundingClientRect(),
    );
    return {
      left: staff.left - whole.left,
      right: staff.right - whole.left,
      top: Math.min(...own.map((line) => line.top), staff.top) - whole.top,
      foot: Math.max(...own.map((line) => line.bottom), staff.bottom) - whole.top,
    };
  });
  return { width: whole.width, height: whole.height, bars };
}

/** Of the height of a staff. */
const AROUND = 0.6;

/** Around the bars of a place, one box a system. */
function placeBoxes(bars: BarBox[], place: number[], first: number) {
  const [from, to] = place;
  if (from === undefined || to === undefined) return [];
  const own = bars.slice(from - first, to - first + 1);
  const systems = own.reduce<BarBox[][]>((found, bar) => {
    const before = found.at(-1)?.at(-1);
    if (before && bar.left > before.left) found.at(-1)?.push(bar);
    else found.push([bar]);
    return found;
  }, []);
  return systems.flatMap((system) => {
    const [left, right] = [system[0], system.at(-1)];
    if (!left || !right) return [];
    const around = AROUND * (left.foot - left.top);
    return [
      {
        x: left.left,
        y: left.top - around,
        width: right.right - left.left,
        height: left.foot - left.top + 2 * around,
      },
    ];
  });
}

/** The number of the note whose head is nearest to a touch; null for none within reach. */
function nearestNote(
  music: HTMLElement,
  touched: { clientX: number; clientY: number },
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
      box.left + box.width / 2 - touched.clientX,
      box.top + box.height / 2 - touched.clientY,
    );
    if (known.has(number) && away < reach) {
      nearest = number;
      reach = away;
    }
  }
  return nearest;
}
