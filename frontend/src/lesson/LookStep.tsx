import { useMemo, useState } from 'react';

import type { Catalogue } from '../api/client';
import screen from '../components/screen.module.css';
import { useGradedHands, usePicturesAhead } from '../drawings/useGradedHands';
import type { EarNext } from '../sound/useEarNext';
import { upperFirst } from '../words/words';
import { CheckNames } from './CheckNames';
import { listFor, placeOf, useHeldLook } from './lookChoice';
import { LookFoot } from './LookFoot';
import { isDone, type ListChoice, trialsInOrder } from './lookList';
import { LookStage } from './LookStage';
import { Measures } from './Measures';
import { Question } from './Question';
import { hasTheory } from './Theory';
import { TheoryPanel } from './TheoryPanel';
import { useAsked } from './useAsked';
import type { LessonHandle } from './useLesson';
import { useLookKeys } from './useLookKeys';
import { useMeasuring } from './useMeasuring';
import { useTakenBack } from './useTakenBack';
import * as say from '../messages/compiled/lesson';

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
  const { choice, setChoice, mine, look, title, items, whys, asked } = useLookList(
    handle,
    catalogue,
    opening,
  );
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
      <section className={screen.right} aria-label={say.whatToLookAt()}>
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

/** What is on the list to look at, by what was chosen, and the question that is open. */
function useLookList(
  handle: Props['handle'],
  catalogue: Props['catalogue'],
  opening: string | null,
) {
  const { lesson } = handle;
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
  return { choice, setChoice, mine, look, title, items, whys, asked };
}
