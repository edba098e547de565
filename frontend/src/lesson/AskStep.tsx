import { useState } from 'react';

import type { Catalogue } from '../api/client';
import { Key } from '../components/Key';
import { NextAction } from '../components/NextAction';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { AllWell } from './AskBody';
import { AskKnown } from './AskKnown';
import { AskQuestion } from './AskQuestion';
import css from './AskStep.module.css';
import { type AskStop, GROUP_WORDS, stopsOf } from './askStops';
import { BodyLine } from './BodyLine';
import screen from '../components/screen.module.css';
import { useBriefHold } from './useBriefHold';
import type { LessonHandle } from './useLesson';
import { useTakenBack } from './useTakenBack';
import * as say from '../messages/compiled/lesson';

const REACH = 'reach.exceeded';

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  /** The questions about the body are open from the start. */
  isTelling: boolean;
  onDone: () => void;
  /** Goes on to one check. */
  onMeasure: (check: string) => void;
}

/** What is open from last time, last week and today, as stops on one string; one is asked at a time. */
export function AskStep({ handle, catalogue, isTelling, onDone, onMeasure }: Props) {
  const { lesson, enter } = handle;
  const [telling, setTelling] = useState(isTelling);
  const [chosen, setChosen] = useState<string | null>(isTelling ? 'body' : null);
  const [passed, setPassed] = useState<string[]>([]);
  const complaint = complaintWords(lesson.complaint, catalogue);
  const stops = stopsOf(lesson, complaint);
  const open = stops.filter((each) => !each.done && !passed.includes(each.id));
  useTakenBack(handle, doneOf(stops), chosen ?? '', setChosen);
  // What is asked stays asked until it is left, though it counts as answered from its first touch.
  if (chosen === null && open[0]) setChosen(open[0].id);
  const wanted = stops.find((each) => each.id === chosen) ?? stops.at(-1);
  const hold = useBriefHold(wanted);
  const stop = hold.shown;

  const canBeWell = nothingHurts(lesson);
  // Answers that were given stay: "all is well" answers for the first time, and takes no stop away.
  const allWell = canBeWell
    ? () => {
        if (!lesson.asked) enter('reports', '', {});
        onDone();
      }
    : undefined;
  const go = (id: string | null) => {
    hold.drop();
    setChosen(id);
  };
  const step = (by: number) => {
    const at = stops.findIndex((each) => each.id === stop?.id);
    go(stops[Math.min(stops.length - 1, Math.max(0, at + by))]?.id ?? null);
  };
  const pass = () => {
    if (stop) setPassed([...passed, stop.id]);
    go(null);
  };
  const tell = () => {
    setTelling(true);
    go('body');
  };
  useKeys({
    ArrowDown: () => step(1),
    ArrowUp: () => step(-1),
    w: allWell,
    y: stop?.kind === 'break' ? undefined : tell,
    h: () => enter('harder', '', !lesson.harder_piece),
    x: pass,
    Enter: onDone,
  });

  const isTold = telling || !canBeWell;
  return (
    <div className={screen.screen}>
      <section className={`${screen.left} ${css.left}`} aria-label={say.whatIsKnown()}>
        <AskKnown stops={stops} now={stop?.id} lesson={lesson} onGo={go}>
          <Facts handle={handle} onMeasure={() => onMeasure(REACH)} />
        </AskKnown>
      </section>
      <section className={`${screen.right} ${css.right}`} aria-label={say.whatIsAsked()}>
        <div className={css.head}>
          <p>{stop && GROUP_WORDS[stop.group]}</p>
          {!(stop?.kind === 'body' && !isTold) && <AllWell handle={handle} onAllWell={allWell} />}
          {stop && (
            <button type="button" className={touch.word} aria-keyshortcuts="x" onClick={pass}>
              {stop.done ? say.goOn() : stop.kind === 'again' ? say.later() : say.notAsked()}
              <Key name="x" />
            </button>
          )}
        </div>
        {stop && (
          <AskQuestion
            key={stop.id}
            stop={stop}
            handle={handle}
            catalogue={catalogue}
            isHeld={hold.isHeld}
            onAnswered={() => {
              hold.hold(stop);
              setChosen(null);
            }}
            onAllWell={allWell}
            isTelling={isTold}
            onTell={tell}
          />
        )}
      </section>
      <AskFoot
        open={open.length}
        stops={stops.length}
        waits={lesson.waits_for !== ''}
        onDone={onDone}
      />
    </div>
  );
}

interface AskFootProps {
  open: number;
  stops: number;
  /** No week is given before what hurts was asked. */
  waits: boolean;
  onDone: () => void;
}

/** How much is left to ask, and on to the look. */
function AskFoot({ open, stops, waits, onDone }: AskFootProps) {
  return (
    <div className={screen.foot}>
      <div className={css.open}>
        <p>{open === 0 ? say.allAsked() : say.stillOpen()}</p>
        <strong>{open === 0 ? say.lookAtTheHand() : say.of({ count: open, count2: stops })}</strong>
        <p>{waits ? say.giveWaitsForWhatHurts() : ''}</p>
      </div>
      <NextAction isNext={open === 0} onClick={onDone}>
        {say.look()}
      </NextAction>
    </div>
  );
}

/** What holds from lesson to lesson, and whether the music has become harder. */
function Facts({ handle, onMeasure }: { handle: LessonHandle; onMeasure: () => void }) {
  const { lesson, enter } = handle;
  return (
    <div className={css.facts}>
      <BodyLine handle={handle} onMeasure={onMeasure} />
      <button
        type="button"
        className={touch.word}
        aria-pressed={lesson.harder_piece}
        aria-keyshortcuts="h"
        title={lesson.harder_hint}
        onClick={() => enter('harder', '', !lesson.harder_piece)}
      >
        {say.harderPieceNow()}
        <Key name="h" />
      </button>
    </div>
  );
}

function nothingHurts({ review, reports }: LessonHandle['lesson']): boolean {
  const hurt = review.some((row) => (row.pain ?? 0) > 0);
  return !hurt && Object.values(reports).every((value) => value === 0);
}

function doneOf(stops: AskStop[]): string[] {
  return stops.filter((each) => each.done).map((each) => each.id);
}

function complaintWords(complaint: string | null, catalogue: Catalogue): string {
  if (complaint === null) return '';
  const said = catalogue.complaints.find((each) => each.evidence === complaint);
  return said?.says ?? catalogue.evidence.find((each) => each.id === complaint)?.label ?? '';
}
