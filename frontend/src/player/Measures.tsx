import type { Schemas } from '../api/client';
import css from './PlayerPage.module.css';
import { round } from './termWords';
import * as say from '../messages/compiled/player';
import { Rich } from '../messages/Rich';

/** Every number that was measured more than once: from what to what, and from where it counts. */
export function Measures({ measures }: { measures: Schemas['TermMeasureOut'][] }) {
  if (measures.length === 0) return null;
  return (
    <ul className={css.notes} aria-label={say.whatWasMeasured()}>
      {measures.map((each) => (
        <li key={each.label}>
          <Rich
            says={say.to({
              label: each.label,
              first: round(each.first),
              last: round(each.last),
              unit: each.unit,
              answer: each.answer,
            })}
          />
          {each.least !== null && (
            <span className="quiet">
              {' '}
              {each.basis === 'own'
                ? say.aChangeCountsFromBy({ least: round(each.least), unit: each.unit })
                : say.aChangeCountsFromByThe({ least: round(each.least), unit: each.unit })}
            </span>
          )}
          {each.note && ` ${each.note}`}
        </li>
      ))}
    </ul>
  );
}
