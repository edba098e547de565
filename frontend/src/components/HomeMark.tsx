import { Link } from 'wouter';

import css from './HomeMark.module.css';
import { Mark } from './Mark';
import * as say from '../messages/compiled/components';

/** The way home, at the left of every head. */
export function HomeMark() {
  return (
    <Link href="/" className={css.home} aria-label={say.jolfToday()}>
      <Mark size={30} />
    </Link>
  );
}
