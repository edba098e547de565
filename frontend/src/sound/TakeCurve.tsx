import { useQuery } from '@tanstack/react-query';
import type { MouseEvent } from 'react';

import css from './Listening.module.css';
import { TuneLabels } from './TuneLabels';
import { type Curve, curveQuery, type Take } from './takes';
import * as say from '../messages/compiled/sound';

const SECONDS_A_ROW = 10;
const LEFT = 88;
const WIDTH = 1060;
const TUNE = { middle: 92, cents: 1.1, most: 60 };
const LEVEL = { floor: 232, db: 1.6, most: 40 };
const HEIGHT = 240;

interface Props {
  take: Take;
  lessonId: number;
  evidence: string;
  /** s into the sound, for the mark; null for none. */
  now: number | null;
  /** Plays from here, s. */
  onPlace?: ((at: number) => void) | undefined;
}

/** Pitch and level over time, in rows of ten seconds. */
export function TakeCurve({ take, lessonId, evidence, now, onPlace }: Props) {
  const curve = useQuery(curveQuery(lessonId, evidence, take.id));
  if (curve.error) return <p role="alert">{curve.error.message}</p>;
  if (!curve.data) return <p role="status">{say.drawing()}</p>;
  const { begins, step, cents } = curve.data;
  const rows = Math.max(1, Math.ceil((cents.length * step) / SECONDS_A_ROW));
  return Array.from({ length: rows }, (_, row) => (
    <Row
      key={row}
      curve={curve.data}
      notes={take.notes}
      from={begins + row * SECONDS_A_ROW}
      now={now}
      onPlace={onPlace}
    />
  ));
}

interface RowProps {
  curve: Curve;
  notes: Take['notes'];
  from: number;
  now: number | null;
  onPlace: Props['onPlace'];
}

function Row({ curve, notes, from, now, onPlace }: RowProps) {
  const scale = (WIDTH - LEFT) / SECONDS_A_ROW;
  const x = (at: number) => LEFT + (at - from) * scale;
  const to = from + SECONDS_A_ROW;
  const places = curve.cents.flatMap((_, place) => {
    const at = curve.begins + place * curve.step;
    return at >= from && at <= to ? [place] : [];
  });
  const isHere = now !== null && now >= from && now < to;
  const play = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const at = from + (((event.clientX - box.left) / box.width) * WIDTH - LEFT) / scale;
    onPlace?.(Math.max(from, at));
  };
  return (
    <div className={css.strip} tabIndex={0} role="group" aria-label={say.pitchAndLevel()}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        style={{ minWidth: '45rem' }}
        role="img"
        aria-label={say.howThePitchMovesAbout()}
        onClick={onPlace && play}
      >
        <TuneLabels middle={TUNE.middle} />
        <text x="0" y={LEVEL.floor - LEVEL.db * LEVEL.most + 18}>
          {say.loud()}
        </text>
        <text x="0" y={LEVEL.floor - 2}>
          {say.soft()}
        </text>
        <path className={css.axis} d={`M${LEFT} ${TUNE.middle}H${WIDTH}`} />
        {notes.map((note, n) =>
          note.at >= from && note.at < to ? (
            <g key={n}>
              <path className={css.bar} d={`M${x(note.at)} 30V${LEVEL.floor}`} />
              <text className={css.finger} x={x(note.at) + 10} y="18">
                {note.finger}
              </text>
            </g>
          ) : null,
        )}
        <path className={css.loud} d={levelPath(curve, places, x)} />
        <path className={css.pitch} d={pitchPath(curve, places, x)} />
        {isHere && <path className={css.mark} d={`M${x(now)} 0V${HEIGHT}`} />}
      </svg>
    </div>
  );
}

/** A line that breaks where no pitch is clear. */
function pitchPath(curve: Curve, places: number[], x: (at: number) => number): string {
  let isOn = false;
  return places
    .map((place) => {
      const cents = curve.cents[place] ?? null;
      if (cents === null) {
        isOn = false;
        return '';
      }
      const held = Math.max(-TUNE.most, Math.min(TUNE.most, cents));
      const to = `${x(curve.begins + place * curve.step).toFixed(1)} ${(TUNE.middle - TUNE.cents * held).toFixed(1)}`;
      const drawn = `${isOn ? 'L' : 'M'}${to}`;
      isOn = true;
      return drawn;
    })
    .join('');
}

function levelPath(curve: Curve, places: number[], x: (at: number) => number): string {
  const first = places[0];
  const last = places.at(-1);
  if (first === undefined || last === undefined) return '';
  const along = (place: number) => x(curve.begins + place * curve.step).toFixed(1);
  const tops = places.map((place) => {
    const height = LEVEL.db * Math.max(0, LEVEL.most + (curve.level[place] ?? -LEVEL.most));
    return `L${along(place)} ${(LEVEL.floor - height).toFixed(1)}`;
  });
  return `M${along(first)} ${LEVEL.floor}${tops.join('')}L${along(last)} ${LEVEL.floor}Z`;
}
