import { type ComponentType, useEffect } from 'react';

import { late } from '../components/late';
import { savedWords } from '../outbox/outboxState';
import { AskLater } from './AskLater';
import { UNANSWERED } from './dayLog';
import { EndOfDay } from './EndOfDay';
import home from './home.module.css';
import { Hurts } from './Hurts';
import { LogByHand } from './LogByHand';
import { loadPractice } from './practiceLate';
import { Thanks } from './Thanks';
import { useDay } from './useDay';
import type { HomeHandle } from './useHome';
import { WeekView } from './WeekView';
import * as say from '../messages/compiled/home';

// The week is there without it.
const Nothing = () => null;
const Practice = late(loadPractice);
const RecordTake = late(() =>
  import('./RecordTake').then(
    (its) => its.RecordTake,
    () => Nothing,
  ),
);

interface Props {
  token: string;
  handle: HomeHandle;
  /** Sends what was recorded before; the page of a recording does so itself. */
  SendTakes: ComponentType<{ token: string }>;
}

/** A day at home: the week, the practice of a day, its questions, and what to do when it hurts. */
export function Day({ token, handle, SendTakes }: Props) {
  const { week, answerLater } = handle;
  const day = useDay(handle);
  const { view } = day;
  const asksTake = week.take !== null;
  useEffect(() => {
    if (asksTake) import('./RecordTake').then((its) => its.keepTaking(token), Nothing);
  }, [asksTake, token]);
  if (week.asksAbout !== null && view.name === 'week') {
    return <AskLater key={week.asksAbout} date={week.asksAbout} onAnswer={answerLater} />;
  }
  switch (view.name) {
    case 'hurts':
      return (
        <Hurts
          reader={week.reader}
          instrument={week.instrument}
          isAsked={view.isAsked}
          unheard={handle.queue.waiting.length > 0}
          onHurt={day.hurt}
          onMistake={() => {
            day.nothing();
            if (view.isAsked) day.toWeek();
            else day.setView(view.back);
          }}
          onWeek={day.toWeek}
        />
      );
    case 'practice':
      return (
        <Practice
          week={week}
          items={view.items}
          from={view.from}
          practised={day.practised}
          onPractised={day.setPractised}
          isReal={day.isReal}
          onWeek={() => day.setView({ name: 'week' })}
          onEnd={() => (day.isReal ? day.setView({ name: 'end' }) : day.toWeek())}
          onHurts={(from) => day.openHurts(false, day.answers, { ...view, from })}
        />
      );
    case 'log':
      return (
        <LogByHand
          date={day.shown}
          isToday={day.shown === week.today}
          items={day.items}
          onWeek={day.toWeek}
          onDone={day.told}
        />
      );
    case 'end':
      return (
        <EndOfDay week={week} onKeep={day.end} onHurts={(said) => day.openHurts(true, said)} />
      );
    case 'thanks':
      return (
        <Thanks
          week={week}
          date={day.shown}
          saved={savedWords(handle.queue)}
          onChange={day.tell}
          onWeek={day.toWeek}
        />
      );
    case 'take':
      return (
        <>
          <div className={home.top}>
            <button type="button" onClick={day.toWeek}>
              {say.week()}
            </button>
          </div>
          {week.take && <RecordTake token={token} take={week.take} today={week.today} />}
        </>
      );
    case 'week':
      return (
        <>
          <WeekView
            token={token}
            week={week}
            shown={day.shown}
            queue={handle.queue}
            onShow={day.setChosen}
            onBegin={(from) => day.setView({ name: 'practice', items: day.items, from })}
            onHurts={() => day.openHurts(false, UNANSWERED)}
            onLog={day.tell}
            onNothing={day.touchWasNothing}
            onTake={() => day.setView({ name: 'take' })}
          />
          <SendTakes token={token} />
        </>
      );
  }
}
