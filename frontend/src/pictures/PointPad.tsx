import {
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
  useEffect,
  useRef,
  useState,
} from 'react';

import css from './PointPad.module.css';
import type { Picture } from './readPicture';
import * as say from '../messages/compiled/pictures';

export interface SetPoint {
  name: string;
  x: number;
  y: number;
}

interface Props {
  picture: Picture;
  points: SetPoint[];
  /** What the next touch sets, in words; null when all is set. */
  wanted: string | null;
  onSet: (x: number, y: number) => void;
  onUndo: () => void;
  /** Laid over the picture. */
  children?: ReactNode;
}

const LOUPE = 132;
const ZOOM = 3;
const STEP = 1;
const LEAP = 12;

/** The picture to set points on: by touch under a loupe, or by the arrow keys and Enter. */
export function PointPad({ picture, points, wanted, onSet, onUndo, children }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const shown = useRef<HTMLCanvasElement>(null);
  const [at, setAt] = useState({ x: picture.width / 2, y: picture.height / 2 });
  const [looking, setLooking] = useState(false);

  useEffect(() => {
    shown.current?.getContext('2d')?.drawImage(picture.image, 0, 0);
  }, [picture]);

  function under(event: PointerEvent) {
    const area = box.current?.getBoundingClientRect();
    if (!area) return at;
    return {
      x: within(((event.clientX - area.left) / area.width) * picture.width, picture.width),
      y: within(((event.clientY - area.top) / area.height) * picture.height, picture.height),
    };
  }

  function onKeyDown(event: KeyboardEvent) {
    const by = event.shiftKey ? LEAP : STEP;
    const moves: Record<string, [number, number]> = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, -by],
      ArrowDown: [0, by],
    };
    const move = moves[event.key];
    if (move) {
      setLooking(true);
      setAt({
        x: within(at.x + move[0], picture.width),
        y: within(at.y + move[1], picture.height),
      });
    } else if (event.key === 'Enter' || event.key === ' ') {
      if (wanted !== null) onSet(at.x, at.y);
    } else if (event.key === 'Backspace' || event.key === 'u') {
      onUndo();
    } else {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
  }

  const percent = (point: { x: number; y: number }) => ({
    left: `${(point.x / picture.width) * 100}%`,
    top: `${(point.y / picture.height) * 100}%`,
  });
  return (
    <div
      ref={box}
      className={css.pad}
      style={{ aspectRatio: `${picture.width} / ${picture.height}` }}
      role="application"
      tabIndex={0}
      aria-label={
        wanted === null ? say.pictureAllPointsAreSet() : say.pictureSetArrowKeysMove({ wanted })
      }
      onKeyDown={onKeyDown}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setAt(under(event));
        setLooking(true);
      }}
      onPointerMove={(event) => {
        if (event.pointerType === 'mouse' || event.buttons > 0) {
          setAt(under(event));
          setLooking(true);
        }
      }}
      onPointerUp={(event) => {
        const { x, y } = under(event);
        if (wanted !== null) onSet(x, y);
        setLooking(false);
      }}
      onPointerLeave={() => setLooking(false)}
      onBlur={() => setLooking(false)}
    >
      <canvas ref={shown} className={css.picture} width={picture.width} height={picture.height} />
      <svg
        className={css.lines}
        viewBox={`0 0 ${picture.width} ${picture.height}`}
        aria-hidden="true"
      >
        {chains(points).map((line) => (
          <polyline key={line} points={line} vectorEffect="non-scaling-stroke" />
        ))}
      </svg>
      {children}
      {points.map((point) => (
        <i key={point.name} className={css.point} style={percent(point)} />
      ))}
      {looking && wanted !== null && <Loupe picture={picture} at={at} style={percent(at)} />}
    </div>
  );
}

function within(value: number, most: number): number {
  return Math.round(Math.min(most, Math.max(0, value)) * 10) / 10;
}

/** The joints of one limb, and the string, each as a line. */
function chains(points: SetPoint[]): string[] {
  const isString = (point: SetPoint) => point.name.startsWith('string');
  return [points.filter((point) => !isString(point)), points.filter(isString)]
    .filter((line) => line.length > 1)
    .map((line) => line.map((point) => `${point.x},${point.y}`).join(' '));
}

function Loupe({
  picture,
  at,
  style,
}: {
  picture: Picture;
  at: { x: number; y: number };
  style: { left: string; top: string };
}) {
  const glass = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = glass.current?.getContext('2d');
    if (!context) return;
    const side = LOUPE / ZOOM;
    context.fillRect(0, 0, LOUPE, LOUPE);
    context.drawImage(
      picture.image,
      at.x - side / 2,
      at.y - side / 2,
      side,
      side,
      0,
      0,
      LOUPE,
      LOUPE,
    );
  }, [picture, at]);
  const isHigh = at.y < picture.height / 3;
  return (
    <div className={css.loupe} data-below={isHigh || undefined} style={style} aria-hidden="true">
      <canvas ref={glass} width={LOUPE} height={LOUPE} />
    </div>
  );
}
