import { useMemo, useState } from 'react';

import type { Catalogue, Evidence, Lesson } from '../api/client';
import { STAGE_WORDS, upperFirst } from '../words/words';
import { CheckNames } from './CheckNames';
import {
  askedFirst,
  checksAt,
  isDone,
  type ListChoice,
  placeless,
  trialsInOrder,
} from './lookList';
import { LookStage } from './LookStage';
import { Measures } from './Measures';
import { Question } from './Question';
import screen from '../components/screen.module.css';
import { hasTheory } from './Theory';
import { TheoryPanel } from './TheoryPanel';
import { useAsked } from './useAsked';
import { LookFoot } from './LookFoot';
import { useLookKeys } from './useLookKeys';
import { useMeasuring } from './useMeasuring';
import type { EarNext } from '../sound/useEarNext';
import { useGradedHands, usePicturesAhead } from '../drawings/useGradedHands';
import type { LessonHandle } from './useLesson';
import { useTakenBack } from './useTakenBack';

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  /** A check that was asked for from elsewhere. */
  opening: string | null;
  /** And is measured at once. */
  opensMeasure: boolean;
  onDecide: () => void;
}

/** The hand on the left, one question on the right, what it means and the next action below it. */
export function LookStep({ handle, catalogue, opening, opensMeasure, onDecide }: Props) {
  const { lesson, weighing } = handle;
  const { instrument } = lesson.player;
  const [choice, setChoice] = useState<ListChoice>(
    opening === null ? { kind: 'look' } : { kind: 'check', check: opening },
  );
  const mine = useMemo(
    () => catalogue.evidence.filter((e) => e.instruments.includes(instrument)),
    [catalogue, instrument],
  );
  const answered = [...Object.keys(lesson.findings), ...lesson.skipped].sort();
  const ask = (check: string) => setChoice({ kind: 'check', check });
  useTakenBack(handle, answered, JSON.stringify(choice), ask);
  const held = useHeldLook(lesson);
  const look = held.checks.filter((id) => mine.some((e) => e.id === id));
  const { title, items, whys } = listFor(choice, lesson, mine, { ...held, checks: look });
  const isPlace = choice.kind === 'spot' || choice.kind === 'check';
  const asked = useAsked({
    items,
    handle,
    touched: choice.kind === 'spot' ? choice.spot.finger : undefined,
    isTouched: isPlace,
    onAllGraded: () => {
      if (isPlace) setChoice({ kind: 'look' });
    },
  });
  const { item } = asked;
  const finger = asked.fingers?.[0] ?? null;
  const hands = useGradedHands(item, instrument, finger);
  usePicturesAhead(items, instrument);
  const [atEase, setAtEase] = useState(false);
  const [isWhy, setIsWhy] = useState(false);
  const measuring = useMeasuring(asked, opensMeasure ? opening : null);
  const [ear, setEar] = useState<EarNext | null>(null);
  const known = hasTheory(lesson);
  function grade(value: number) {
    setIsWhy(false);
    measuring.drop();
    asked.grade(value);
  }
  useLookKeys({
    asked: { ...asked, grade },
    onSkip: item && (() => handle.enter('skip', item.id, !lesson.skipped.includes(item.id))),
    onMeasure: measuring.toggle,
    onChoose: (kind) => setChoice({ kind: choice.kind === kind ? 'look' : kind }),
    onEase: () => setAtEase(!atEase),
    onWhy: known ? () => setIsWhy(!isWhy) : undefined,
    onBack: () => {
      setIsWhy(false);
      measuring.back();
    },
    onNext: ear ? (ear.act ?? undefined) : known ? onDecide : undefined,
  });

  const isNamed = choice.kind === 'trials' || choice.kind === 'placeless';
  const names = isNamed && (
    <CheckNames
      title={title}
      items={items}
      now={asked.isOpen ? item?.id : undefined}
      handle={handle}
      onChoose={asked.choose}
      onClose={() => setChoice({ kind: 'look' })}
    />
  );
  const measures = measuring.isOpen && item && (
    <Measures
      key={item.id}
      item={item}
      asked={asked}
      handle={handle}
      trials={trialsInOrder(lesson, mine)}
      onNext={setEar}
      onDone={measuring.close}
      onClose={measuring.back}
    />
  );
  const inPlace = item?.by_ear && measures ? measures : names;
  const over = isWhy ? <TheoryPanel lesson={lesson} onClose={() => setIsWhy(false)} /> : inPlace;
  const spotAsked = item && asked.isOpen ? placeOf(item, finger) : null;
  return (
    <div className={screen.screen}>
      <LookStage
        handle={handle}
        catalogue={catalogue}
        mine={mine}
        atEase={atEase}
        asked={spotAsked}
        fingers={asked.fingers ?? []}
        due={new Set(look.filter((id) => !isDone(lesson, id)))}
        choice={choice}
        onChoice={setChoice}
        onEase={() => setAtEase(!atEase)}
        over={over}
      >
        {!item?.by_ear && measures}
      </LookStage>
      <section className={screen.right} aria-label="What to look at">
        <Question
          title={title}
          why={upperFirst(whys[item?.id ?? ''] ?? '')}
          items={items}
          asked={{ ...asked, grade }}
          handle={handle}
          hands={hands}
          heard={ear?.heard.find((each) => each.finger === null || each.finger === finger)?.grade}
          isMeasuring={measuring.isOpen}
          onMeasure={measuring.toggle}
        />
      </section>
      <LookFoot
        lesson={lesson}
        weighing={weighing}
        isWhy={isWhy}
        onWhy={() => setIsWhy(!isWhy)}
        ear={ear}
        onDecide={onDecide}
      />
    </div>
  );
}

/** Where on the hand a check is asked; its own finger's place where it has one. */
function placeOf(item: Evidence, finger: number | null) {
  return { place: item.place, finger: item.of_finger ?? (item.per_finger ? finger : null) };
}

interface HeldLook {
  checks: string[];
  /** Why each comes now. */
  whys: Record<string, string>;
}

/** The proposed look stays until all of it is done, so that nothing jumps under the finger. */
function useHeldLook(lesson: Lesson): HeldLook {
  const fresh = { checks: lesson.look?.checks ?? [], whys: lesson.look?.whys ?? {} };
  const [held, setHeld] = useState<HeldLook>(fresh);
  const finished = held.checks.every((id) => isDone(lesson, id));
  const isNews = fresh.checks.length > 0 && !fresh.checks.every((id) => isDone(lesson, id));
  if (finished && isNews && fresh.checks.join() !== held.checks.join()) {
    setHeld(fresh);
    return fresh;
  }
  return held;
}

interface Asking {
  title: string;
  items: Evidence[];
  whys: Record<string, string>;
}

function listFor(choice: ListChoice, lesson: Lesson, mine: Evidence[], held: HeldLook): Asking {
  const look = held.checks;
  switch (choice.kind) {
    case 'spot': {
      const items = askedFirst(checksAt(mine, choice.spot), look);
      return { title: choice.spot.name, items, whys: {} };
    }
    case 'check': {
      const items = mine.filter((e) => e.id === choice.check);
      return { title: items[0]?.label ?? '', items, whys: {} };
    }
    case 'trials': {
      const items = trialsInOrder(lesson, mine);
      return { title: 'Change one thing: does it ease?', items, whys: {} };
    }
    case 'placeless':
      return { title: 'Tempo and reports', items: placeless(mine), whys: {} };
    case 'look': {
      const items = look.flatMap((id) => mine.filter((e) => e.id === id));
      const stage = STAGE_WORDS[items[0]?.stage ?? '']?.toLowerCase() ?? '';
      const title = lesson.look?.again ? 'The same again' : `Next look: ${stage}`;
      return { title, items, whys: held.whys };
    }
  }
}
