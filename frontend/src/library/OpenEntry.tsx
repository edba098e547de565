import { useQuery } from '@tanstack/react-query';
import { useLocation } from 'wouter';

import type { Catalogue } from '../api/client';
import { todayQuery } from '../api/queries';
import { NextAction } from '../components/NextAction';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import { useKeys } from '../components/useKeys';
import { drillAddress, tuneAddress } from '../components/benchAddress';
import { CauseCard } from './CauseCard';
import { CheckCard } from './CheckCard';
import { ExerciseCard } from './ExerciseCard';
import { HelpCard } from './HelpCard';
import css from './LibraryPage.module.css';
import type { Hit, Shelf } from './shelves';
import { WayCard } from './WayCard';
import * as say from '../messages/compiled/library';

/** What is found beside the shelves, and what it is called. */
const BESIDE: Partial<Record<Shelf, string>> = {
  players: say.player(),
  drills: say.drill(),
  tunes: say.tune(),
};
// The drill that plays a tune as it is.

interface Props {
  catalogue: Catalogue;
  open: Hit | null;
  instrument: string;
  /** The lesson that was left for the library. */
  lesson: number | null;
  onGo: (shelf: Shelf, id: string) => void;
}

/** One entry, and what it is good for in the lesson at the stand. */
export function OpenEntry({ catalogue, open, instrument, lesson, onGo }: Props) {
  const [, navigate] = useLocation();
  const stand = useStand(lesson);
  const action = open ? actionOf(catalogue, open) : null;
  const act = actOf();
  useKeys({ Enter: act });
  const id = open?.entry.id ?? '';
  const isBeside = open !== null && open.shelf in BESIDE;

  function actOf() {
    if (open?.shelf === 'ways') return () => navigate('/desk?part=way');
    if (open?.shelf === 'players') return () => navigate(`/players/${open.entry.id}`);
    if (open?.shelf === 'drills') return () => navigate(drillAddress(open.entry.id, instrument));
    if (open?.shelf === 'tunes') return () => navigate(tuneAddress(open.entry.id, instrument));
    return action && stand
      ? () => navigate(`/lessons/${stand.lesson}?step=${action.step}`)
      : undefined;
  }

  return (
    <>
      <section className={`${screen.right} ${css.right}`} aria-label={say.openPage()}>
        {/* Another entry begins at its top. */}
        <Scroll key={`${open?.shelf} ${id}`} className={css.card}>
          {open === null && <p>{say.writeAWordOrTouch()}</p>}
          {open?.shelf === 'exercises' && (
            <ExerciseCard {...{ catalogue, id, instrument }} onCause={(to) => onGo('causes', to)} />
          )}
          {open?.shelf === 'causes' && (
            <CauseCard
              {...{ catalogue, id, instrument }}
              onExercise={(to) => onGo('exercises', to)}
              onCheck={(to) => onGo('checks', to)}
            />
          )}
          {open?.shelf === 'help' && <HelpCard {...{ catalogue, id }} />}
          {open?.shelf === 'ways' && <WayCard {...{ catalogue, id }} />}
          {open && isBeside && (
            <>
              <p className={css.kindline}>{BESIDE[open.shelf]}</p>
              <h2>{open.entry.name}</h2>
              <p className={css.how}>{open.entry.line}</p>
            </>
          )}
          {open?.shelf === 'checks' && (
            <CheckCard {...{ catalogue, id, instrument }} onCause={(to) => onGo('causes', to)} />
          )}
        </Scroll>
      </section>
      <div className={screen.foot}>
        <div className={css.stand}>
          {isBeside ? (
            <strong>{open.entry.name}</strong>
          ) : (
            <>
              <p>{stand ? say.forTheLessonAtThe() : say.noLessonIsOpenToday()}</p>
              {stand && <strong>{stand.name}</strong>}
            </>
          )}
        </div>
        <NextAction isNext={act !== undefined} disabled={!act} onClick={() => act?.()}>
          {action?.words ?? say.openOne()}
        </NextAction>
      </div>
    </>
  );
}

/** Whose lesson it is for: the one that was left, else the newest that was begun today. */
function useStand(lesson: number | null) {
  const rows = useQuery(todayQuery).data?.rows ?? [];
  const begun = rows.filter((row) => row.lesson_today !== null);
  const row = begun.find((each) => each.lesson_today === lesson) ?? begun.at(-1);
  if (!row || row.lesson_today === null) return null;
  return { lesson: row.lesson_today, name: row.player.name };
}

function actionOf(catalogue: Catalogue, { shelf, entry }: Hit) {
  if (shelf === 'help') return null;
  if (shelf === 'ways') return { words: say.chooseYours(), step: '' };
  if (shelf === 'players') return { words: say.open(), step: '' };
  if (shelf === 'drills' || shelf === 'tunes') return { words: say.tryIt(), step: '' };
  if (shelf === 'checks') return { words: say.lookNow(), step: `look&check=${entry.id}` };
  if (shelf === 'exercises') return { words: say.giveIt(), step: `give&add=${entry.id}` };
  const sign = catalogue.evidence.find((each) => each.causes.includes(entry.id));
  return sign ? { words: say.lookForIt(), step: `look&check=${sign.id}` } : null;
}
