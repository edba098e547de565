import type { ReactNode } from 'react';

import css from './PageFoot.module.css';
import * as say from '../messages/compiled/components';

interface Props {
  /** What comes next: a small line, its name, why. */
  note: ReactNode;
  title: ReactNode;
  why?: ReactNode;
  /** Quiet ways, beside the action. */
  ways?: ReactNode;
  /** The one next action. */
  children: ReactNode;
}

/** The foot of a long page: what comes next, always at the lower edge, the action at the right. */
export function PageFoot({ note, title, why, ways, children }: Props) {
  return (
    <section className={css.foot} aria-label={say.whatNext()}>
      <div className={css.next}>
        {/* Until it is known nothing is said, so that no line moves. */}
        {title !== '' && (
          <>
            <p>{note}</p>
            <strong>{title}</strong>
            {why && <p>{why}</p>}
          </>
        )}
      </div>
      <div className={`${css.ways} no-print`}>{ways}</div>
      <div className="no-print">{children}</div>
    </section>
  );
}
