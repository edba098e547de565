import css from './Bead.module.css';

type State = 'open' | 'done' | 'now' | 'stopped';

/** One stop on a string: open, done, the one that is asked now, or halted. */
export function Bead({ as }: { as: State }) {
  return <i className={css.bead} data-as={as} aria-hidden="true" />;
}
