import css from './PainPlace.module.css';
import * as say from '../messages/compiled/components';

interface Spot {
  place: string;
  words: string;
  /** Of the drawing, in its own units. */
  at: [number, number];
}

const FRONT: Spot[] = [
  { place: 'shoulder', words: say.shoulder(), at: [104, 62] },
  { place: 'upper_arm', words: say.upperArm(), at: [113, 92] },
  { place: 'elbow', words: say.elbow(), at: [121, 122] },
  { place: 'forearm', words: say.forearm(), at: [131, 152] },
  { place: 'wrist', words: say.wrist(), at: [140, 182] },
];
const BACK: Spot[] = [
  { place: 'neck', words: say.neck(), at: [70, 44] },
  { place: 'back', words: say.backOfBody(), at: [70, 104] },
];
const HAND: Spot[] = [
  { place: 'skin', words: say.skinOfTheFingertips(), at: [74, 30] },
  { place: 'fingers', words: say.fingers(), at: [74, 64] },
  { place: 'thumb', words: say.thumb(), at: [27, 100] },
  { place: 'hand', words: say.handAsPlace(), at: [74, 128] },
];
const SOMEWHERE = 'somewhere';

interface Props {
  chosen: string;
  onPick: (place: string) => void;
}

/** Where it hurts: a player from the front and the back, and the left hand apart. */
export function PainPlace({ chosen, onPick }: Props) {
  const group = { chosen, onPick };
  return (
    <div role="group" aria-label={say.whereDoesItHurt()} className={css.places}>
      <Figure name={say.fromTheFront()} width={210} height={216} spots={FRONT} {...group}>
        <path d="M70 40a15 17 0 1 1 .1 0M62 40v7q-24 4-28 14L22 122l-9 32-9 30q-5 12 2 20M78 40v7q24 4 28 14l12 61 13 32 9 28q7 12 1 21M46 72l4 52-4 86M94 72l-4 52 4 86" />
        <path d="M118 122q7 14 13 32l9 28q7 12 1 21l-8 2q-3-10-3-18l-9-27-13-28-4-27" />
      </Figure>
      <Figure name={say.fromTheBack()} width={150} height={160} spots={BACK} {...group}>
        <path d="M70 38a15 17 0 1 1 .1 0M62 36v10q-26 5-30 16l-8 60M78 36v10q26 5 30 16l8 60M46 70l4 54-3 30M94 70l-4 54 3 30M70 52v92" />
      </Figure>
      <Figure name={say.leftHand()} width={210} height={170} spots={HAND} {...group}>
        <path d="M52 164l-2-34q-12-6-21-21-9-9-5-13 5-4 13 5l12 15 2-52q0-9 6-9t6 9l2 38 1-60q0-9 6-9t6 9l1 60 4-54q1-8 7-8t6 9l-4 55 9-38q2-8 7-7 6 2 4 10l-8 46q-2 20-10 31l-1 27" />
      </Figure>
      <button
        type="button"
        className={css.else}
        aria-pressed={chosen === SOMEWHERE}
        onClick={() => onPick(SOMEWHERE)}
      >
        {say.somewhereElse()}
      </button>
    </div>
  );
}

interface FigureProps extends Props {
  name: string;
  width: number;
  height: number;
  spots: Spot[];
  children: React.ReactNode;
}

function Figure({ name, width, height, spots, chosen, onPick, children }: FigureProps) {
  return (
    <div
      role="group"
      aria-label={name}
      className={css.figure}
      style={{ aspectRatio: `${width} / ${height}`, flexGrow: width }}
    >
      <svg viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
        {children}
      </svg>
      {spots.map(({ place, words, at: [x, y] }) => (
        <button
          key={place}
          type="button"
          className={css.spot}
          aria-pressed={chosen === place}
          style={{ left: `${(100 * x) / width}%`, top: `${(100 * y) / height}%` }}
          onClick={() => onPick(place)}
        >
          <span>{words}</span>
        </button>
      ))}
    </div>
  );
}
