import type { Schemas } from '../api/client';
import css from './PlayerPage.module.css';
import { round } from './termWords';

/** Every number that was measured more than once: from what to what, and from where it counts. */
export function Measures({ measures }: { measures: Schemas['TermMeasureOut'][] }) {
  if (measures.length === 0) return null;
  return (
    <ul className={css.notes} aria-label="What was measured">
      {measures.map((each) => (
        <li key={each.label}>
          <strong>{each.label}</strong> {round(each.first)} to {round(each.last)} {each.unit},{' '}
          {each.answer}
          {each.least !== null && (
            <span className="quiet">
              {' '}
              (a change counts from {round(each.least)} {each.unit},{' '}
              {each.basis === 'own' ? 'by this player’s own repeats' : 'by the way of measuring'})
            </span>
          )}
          {each.note && ` ${each.note}`}
        </li>
      ))}
    </ul>
  );
}
