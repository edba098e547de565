import { useEffect, useRef, useState } from 'react';

import type { Schemas } from '../api/client';
import { picturesOf } from '../audio/schedule';
import css from './MusicPages.module.css';
import type { HomeItem } from './weekNow';
import * as say from '../messages/compiled/home';

type Line = Schemas['MusicLineOut'];

const LINES_A_PAGE = 2;
// In units of a line's picture: shorter lines are not drawn larger than this would be.
const LEAST_WIDTH = 290;
const SOUNDING = 'sounding';

interface Props {
  item: HomeItem;
  /** Beats of the music that have sounded; null while nothing counts them. */
  beat: number | null;
  /** The note that sounds; null for none. */
  note: number | null;
}

/** Two lines of music at a time; the page turns with the beat, or by a touch at its left or right. */
export function MusicPages({ item, beat, note }: Props) {
  const { lines } = item;
  const [turned, setTurned] = useState(0);
  const picture = useRef<HTMLDivElement>(null);
  const pages = Math.ceil(lines.length / LINES_A_PAGE);
  const counted = beat === null ? null : lineAt(lines, beat);
  const page = counted === null ? turned : Math.floor(counted / LINES_A_PAGE);
  // Where it stopped is where it stays.
  if (page !== turned) setTurned(page);
  useEffect(() => {
    const drawn = picture.current?.querySelectorAll('g.note') ?? [];
    const those = note === null ? [] : (picturesOf(item.notes)[note] ?? []);
    for (const index of those) drawn[index]?.classList.add(SOUNDING);
    return () => {
      for (const index of those) drawn[index]?.classList.remove(SOUNDING);
    };
  }, [note, item.notes]);
  if (lines.length === 0) return null;
  const widest = Math.max(LEAST_WIDTH, ...lines.map((line) => line.width));
  const turn = (by: number) => setTurned((page + by + pages) % pages);
  return (
    <section className={css.music} aria-label={say.musicOf({ name: item.name })}>
      {(item.music_title || pages > 1) && (
        <p className={css.top}>
          <strong>{item.music_title}</strong>
          {pages > 1 && (
            <span role="status">
              <span aria-hidden="true" className={css.dots}>
                {lines
                  .filter((_, index) => index % LINES_A_PAGE === 0)
                  .map((_, index) => (
                    <i key={index} data-on={index === page || undefined} />
                  ))}
              </span>
              <span className="sr-only">{say.pageOf({ page: page + 1, pages })}</span>
            </span>
          )}
        </p>
      )}
      <div ref={picture} className={css.lines}>
        {lines.map((line, index) => (
          <div
            key={index}
            hidden={Math.floor(index / LINES_A_PAGE) !== page}
            data-now={index === counted || undefined}
            className={css.line}
          >
            <div
              role="img"
              aria-label={say.line({ index: index + 1 })}
              style={{ width: `${(100 * line.width) / widest}%` }}
              // Drawn by our own server from our own drills, or from a part that it has cleaned.
              dangerouslySetInnerHTML={{ __html: line.svg }}
            />
          </div>
        ))}
      </div>
      {pages > 1 && (
        <div className={css.turn}>
          <button type="button" aria-label={say.pageBack()} onClick={() => turn(-1)} />
          <button type="button" aria-label={say.pageOn()} onClick={() => turn(1)} />
        </div>
      )}
    </section>
  );
}

/** The line in which a beat lies, counted from 0; once round again after the last; null where
 * nobody counts. */
export function lineAt(lines: readonly Pick<Line, 'beats'>[], beat: number): number | null {
  const total = lines.reduce((sum, line) => sum + (line.beats ?? 0), 0);
  if (total === 0 || lines.some((line) => line.beats === null)) return null;
  let left = beat % total;
  for (const [index, line] of lines.entries()) {
    left -= line.beats ?? 0;
    if (left < 0) return index;
  }
  return lines.length - 1;
}
