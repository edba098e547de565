import { Bead } from './Bead';
import css from './Stops.module.css';

interface Stop {
  id: string;
  /** What it is and how it stands. */
  label: string;
  done: boolean;
}

interface Props {
  label: string;
  stops: Stop[];
  now: string | null;
  onGo: (id: string) => void;
}

/** What is asked one after the other, as stops on one string: full when done, ringed when asked now. */
export function Stops({ label, stops, now, onGo }: Props) {
  return (
    <ol className={css.stops} aria-label={label}>
      {stops.map((stop) => (
        <li key={stop.id}>
          <button
            type="button"
            aria-label={stop.label}
            title={stop.label}
            aria-current={stop.id === now ? 'step' : undefined}
            onClick={() => onGo(stop.id)}
          >
            <Bead as={stop.id === now ? 'now' : stop.done ? 'done' : 'open'} />
          </button>
        </li>
      ))}
    </ol>
  );
}
