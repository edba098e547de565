import { useState } from 'react';

import type { Found, Practised } from './dayLog';
import { ExerciseScreen } from './ExerciseScreen';
import css from './home.module.css';
import { More } from './More';
import { SelfCheck } from './SelfCheck';
import type { HomeItem, WeekNow } from './weekNow';
import * as say from '../messages/compiled/home';

export interface PracticeProps {
  week: WeekNow;
  items: HomeItem[];
  /** Where to begin: an exercise that was touched; null for the first page. */
  from: string | null;
  practised: Practised;
  onPractised: (now: Practised) => void;
  /** A day that is still to come is tried through, and nobody looks at the hand. */
  isReal: boolean;
  onWeek: () => void;
  onEnd: () => void;
  /** Something hurts, at this exercise. */
  onHurts: (exercise: string | null) => void;
}

/** The day's practice, one thing on the screen at a time. */
export function Practice({ week, items, practised, onPractised, ...on }: PracticeProps) {
  const checks = on.isReal ? week.self_check : [];
  const pages: ('before' | 'after' | HomeItem)[] = [
    ...(checks.length > 0 ? ['before' as const] : []),
    ...items,
    ...(checks.length > 0 ? ['after' as const] : []),
  ];
  const [at, setAt] = useState(() => {
    const asked = pages.findIndex((page) => typeof page === 'object' && page.exercise === on.from);
    return Math.max(0, asked);
  });
  const [more, setMore] = useState(false);
  const page = pages[at];
  const item = typeof page === 'object' ? page : null;
  const isLast = at === pages.length - 1;
  const found = (when: 'before' | 'after') => (id: string, right: boolean) =>
    onPractised({ ...practised, [when]: { ...practised[when], [id]: right } satisfies Found });
  function next() {
    if (item && !practised.done.includes(item.exercise))
      onPractised({ ...practised, done: [...practised.done, item.exercise] });
    if (isLast) on.onEnd();
    else setAt(at + 1);
  }
  return (
    <div className={css.fit}>
      <div className={css.top}>
        <button type="button" onClick={() => (at === 0 ? on.onWeek() : setAt(at - 1))}>
          {at === 0 ? say.week() : say.back()}
        </button>
        <span role="status">
          {item
            ? say.exerciseOf({ items: items.indexOf(item) + 1, count: items.length })
            : say.yourHand()}
        </span>
        {item ? (
          <button type="button" onClick={() => setMore(true)}>
            {say.more()}
          </button>
        ) : (
          <span />
        )}
      </div>
      {item ? (
        <ExerciseScreen
          key={item.exercise}
          item={item}
          openStrings={week.open_strings}
          one={week.one_thing?.say ?? ''}
          plays={practised.plays[item.exercise] ?? []}
          onPlay={(clean) =>
            onPractised({
              ...practised,
              plays: {
                ...practised.plays,
                [item.exercise]: [...(practised.plays[item.exercise] ?? []), clean],
              },
            })
          }
        />
      ) : (
        (page === 'before' || page === 'after') && (
          <SelfCheck when={page} checks={checks} found={practised[page]} onFound={found(page)} />
        )
      )}
      <div className={css.bar}>
        <button
          type="button"
          className={css.hurts}
          onClick={() => on.onHurts(item?.exercise ?? null)}
        >
          {say.itHurts()}
        </button>
        <button type="button" className={css.main} onClick={next}>
          {isLast ? say.done() : say.next()}
        </button>
      </div>
      {more && item && <More item={item} onClose={() => setMore(false)} />}
    </div>
  );
}
